// What the kinds ask of the bench.
import { useBench } from '../bench/store';
import type { Entry } from '../generated/types';
import type { Action } from '../shared/ActionMenu.vue';
import { fresh, hasKind, isOn, ofKind } from '../shared/entries';

/** The stated functions of one variable, as choices. */
export const functions = () =>
  (useBench().document?.stated ?? [])
    .filter((s) => s.kind === 'function' && s.variables?.length === 1)
    .map((s) => ({ value: s.name }));

export const parameters = () =>
  (useBench().document?.stated ?? [])
    .filter((s) => s.kind === 'parameter')
    .map((s) => ({ value: s.name, label: s.name }));

/** The points on which something can hang, by their ids. */
export const points = () =>
  (useBench().document?.shown ?? []).flatMap((e) => {
    if (hasKind(e, 'point')) return [{ value: e.id, label: e.body.name }];
    if (hasKind(e, 'figure') && e.body.shape === 'midpoint') {
      return [{ value: e.id, label: e.body.name ?? '' }];
    }
    return [];
  });

/** Those that can be traced: points, and what runs through a curve or lies on a surface in space. */
export const tracedPoints = () => [
  ...points(),
  ...(useBench().document?.shown ?? []).flatMap((e) => {
    if (hasKind(e, 'spaceCurve') && e.body.driver) return [{ value: e.id, label: 'the point of the curve' }];
    if (hasKind(e, 'surfacePart') && e.body.piece === 'point') {
      return [{ value: e.id, label: 'the point on the surface' }];
    }
    return [];
  }),
];

/** The action that traces a point, if nothing does yet. */
export function traceActions({ id, look }: Entry): Action[] {
  const bench = useBench();
  if (ofKind(bench.document?.shown, 'trace').some((t) => t.body.of === id)) return [];
  const entry = fresh('trace', { of: id }, { look });
  return [{ key: 'trace', words: 'Trace it', act: () => void bench.askEdit({ kind: 'put', entry }) }];
}

export const lastFunction = () => functions().at(-1)?.value ?? '';

export const needsFunction = () => (lastFunction() ? '' : 'state a function first');

/** Puts what an entry measures, or its formula with the values in play, into a text of its own, live. */
export function tell(id: string, before: string, after: string) {
  const pieces = [
    { kind: 'words' as const, text: before },
    { kind: 'measure' as const, text: id },
    { kind: 'words' as const, text: after },
  ].filter(({ text }) => text);
  void useBench().askEdit({ kind: 'put', entry: fresh('text', { pieces }) });
}

/** What is new goes where nothing is yet, else everywhere. */
export function emptyPanels(): string[] | undefined {
  const bench = useBench();
  const panels = bench.document?.panels ?? [];
  const empty = panels.filter((p) => !bench.document?.shown.some((e) => isOn(e, p.id)));
  return empty.length && empty.length < panels.length ? empty.map((p) => p.id) : undefined;
}

/** Actions that show or hide pieces of an entry in this scene; there finds the part that shows one already. */
export function pieceActions<P extends string>(
  of: string,
  pieces: [P, string][],
  there: (piece: P) => { id: string } | undefined,
): Action[] {
  const bench = useBench();
  return pieces.map(([piece, words]) => {
    const part = there(piece);
    const shown = !part || bench.isHidden(part.id);
    return {
      key: piece,
      words: `${shown ? 'Show' : 'Hide'} ${words}`,
      act: () => void bench.showPiece({ of, piece, ratio: '', shown }),
    };
  });
}
