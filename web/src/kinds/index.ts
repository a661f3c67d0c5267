// All kinds of what is shown; a kind of the core without a folder here fails the check of types.
import type { Bodies, Entry, EntryOf, Kind } from '../generated/types';
import { circle, circlePart } from './circle';
import { curve } from './curve';
import { figure } from './figure';
import { finding } from './finding';
import { guide } from './guide';
import type { Addition, PageKind } from './kind';
import { parametricSurface } from './parametric';
import { path } from './path';
import { point } from './point';
import { region } from './region';
import { scatter } from './scatter';
import { steps } from './steps';
import { table } from './table';
import { trace } from './trace';
import { spaceCurve } from './spacecurve';
import { spaceCurvePart } from './spacecurve/part';
import { surface } from './surface';
import { surfacePart } from './surface/part';
import { trajectory } from './trajectory';
import { trajectoryPart } from './trajectory/part';

/** Texts have a part of the folio and a form of their own. */
export type ShownKind = Exclude<Kind, 'text'>;

const kinds: { [K in ShownKind]: PageKind<K> } = {
  curve,
  steps,
  point,
  guide,
  region,
  figure,
  scatter,
  table,
  trajectory,
  surface,
  parametricSurface,
  spaceCurve,
  circle,
  trace,
  finding,
  path,
  circlePart,
  trajectoryPart,
  surfacePart,
  spaceCurvePart,
};

/** A kind as it is used for an entry whose body is its own. */
export type AnyKind = PageKind<ShownKind> & {
  actions?: (entry: EntryOf<ShownKind>) => ReturnType<NonNullable<PageKind<ShownKind>['actions']>>;
};

export const kindOf = (e: Entry): AnyKind => kinds[e.kind as ShownKind] as unknown as AnyKind;

export const nameOf = (e: Entry): string => kindOf(e).name(e.body as Bodies[ShownKind]);

/** What a hand takes of an entry is called: the whole of it, which is a point, or one of its grips. */
export const gripName = (e: Entry, grip: number): string =>
  (grip && kindOf(e).grip?.(e.body as Bodies[ShownKind], grip)) || `Point ${nameOf(e)}`;

/** What the menu of additions offers, in its order. */
export const additions = (): (Addition<ShownKind> & { kind: ShownKind })[] =>
  (Object.keys(kinds) as ShownKind[]).flatMap((kind) =>
    (kinds[kind].additions?.() ?? []).map((a) => ({ ...(a as Addition<ShownKind>), kind })),
  );
