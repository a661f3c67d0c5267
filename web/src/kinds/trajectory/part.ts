// What can be shown at the point that runs through a polar or parametric curve, and between two curves.
import { useBench } from '../../bench/store';
import type { EntryOf, TrajectoryBody, TrajectoryPiece } from '../../generated/types';
import type { Action } from '../../shared/ActionMenu.vue';
import { fresh, hasKind, ofKind } from '../../shared/entries';
import { pieceActions as toggles, tell } from '../bench';
import type { PageKind } from '../kind';
import Line from '../Line.vue';
import PartForm from '../PartForm.vue';

/** What a curve is called: a polar one by its name, a parametric one by its coordinates. */
export const called = (body: TrajectoryBody) => body.function ?? `(${body.x}, ${body.y})`;

const parts = (of: string) =>
  ofKind(useBench().document?.shown, 'trajectoryPart').filter((p) => p.body.of === of);

/** Actions that show or hide what belongs to the point. */
export function pieceActions(e: EntryOf<'trajectory'>): Action[] {
  const polar: [TrajectoryPiece, string][] = [['ray', 'the ray and the radius']];
  const all: [TrajectoryPiece, string][] = [
    ...(e.body.function ? polar : []),
    ['projections', 'the projections'],
    ['velocity', 'the velocity'],
    ['acceleration', 'the acceleration'],
    ['accelerationParts', 'the two parts of the acceleration'],
    ['tangent', 'the tangent'],
    ['normal', 'the perpendicular'],
    ['osculating', 'the circle of curvature'],
    ['lengthRun', 'the length run through'],
    ['dots', 'dots at equal steps'],
    ['directions', 'the direction'],
    ['swept', 'the area swept'],
    ['inside', 'what it encloses'],
  ];
  return toggles(e.id, all, (piece) =>
    parts(e.id).find((p) => p.body.piece === piece && !p.body.step && !p.body.at),
  );
}

/** What a text can tell of the point, by the piece that shows it. */
const told: Partial<Record<TrajectoryPiece, string>> = {
  velocity: 'the speed',
  acceleration: 'the size of the acceleration',
  osculating: 'the radius of curvature',
  lengthRun: 'the length',
  tangent: 'the angle of the tangent',
};

/** Actions that put the number of a shown piece into a text. */
export const tellActions = (e: EntryOf<'trajectory'>): Action[] =>
  parts(e.id).flatMap((part) => {
    const words = told[part.body.piece];
    if (!words) return [];
    return [
      {
        key: `tell ${part.id}`,
        words: `Put ${words} into a text, live`,
        act: () => tell(part.id, `${words} is `, ''),
      },
    ];
  });

/** The curves beside one that are no families: polar, parametric, and graphs of functions. */
const othersOf = (id: string) =>
  (useBench().document?.shown ?? []).filter(
    (s): s is EntryOf<'trajectory'> | EntryOf<'curve'> =>
      s.id !== id && (hasKind(s, 'trajectory') || hasKind(s, 'curve')) && !s.body.family,
  );

const curveName = (e: EntryOf<'trajectory'> | EntryOf<'curve'>) =>
  hasKind(e, 'trajectory') ? called(e.body) : e.body.function;

/** Actions that mark where a curve meets another one: polar, parametric, or the graph of a function. */
export function meetingActions(e: EntryOf<'trajectory'>): Action[] {
  const bench = useBench();
  const own = called(e.body);
  const others = othersOf(e.id);
  return others.map((other) => {
    const name = curveName(other);
    const there = parts(e.id).find((p) => p.body.piece === 'meetings' && p.body.other === other.id);
    const entry = fresh(
      'trajectoryPart',
      { of: e.id, piece: 'meetings', other: other.id },
      { where: e.where },
    );
    return {
      key: `meets ${other.id}`,
      words: there ? `Take off where ${own} meets ${name}` : `Mark where ${own} meets ${name}`,
      act: () => void bench.askEdit(there ? { kind: 'delete', id: there.id } : { kind: 'put', entry }),
    };
  });
}

/** Actions that put a further curve beside one: turned, mirrored, stretched. */
export function transformActions(e: EntryOf<'trajectory'>): Action[] {
  if (e.body.family) return [];
  const ways: [string, string][] = [
    ['turned', 'Turn it by a dial, as a further curve'],
    ['mirroredX', 'Mirror it in the x-axis, as a further curve'],
    ['mirroredY', 'Mirror it in the y-axis, as a further curve'],
    ['stretched', 'Stretch it by a dial, as a further curve'],
  ];
  return ways.map(([way, words]) => ({
    key: way,
    words,
    act: () => void useBench().askEdit({ kind: 'transformed', id: e.id, text: way }),
  }));
}

/** What a closed curve encloses together with another one, or without it; over or under a graph. */
function regionWords(name: string, other: EntryOf<'trajectory'> | EntryOf<'curve'>, common: boolean): string {
  if (hasKind(other, 'curve'))
    return `what ${name} encloses ${common ? 'under' : 'over'} ${curveName(other)}`;
  return common
    ? `what ${name} and ${curveName(other)} both enclose`
    : `what ${name} encloses and ${curveName(other)} does not`;
}

/** Actions that shade what lies between a closed curve and another one. */
export function regionActions(e: EntryOf<'trajectory'>): Action[] {
  const bench = useBench();
  if (e.body.family) return [];
  const name = called(e.body);
  return othersOf(e.id).flatMap((other) =>
    [false, true].map((common) => {
      const there = parts(e.id).find(
        (p) => p.body.piece === 'region' && p.body.other === other.id && !!p.body.common === common,
      );
      const what = regionWords(name, other, common);
      const entry = fresh(
        'trajectoryPart',
        { of: e.id, piece: 'region', other: other.id, common },
        { where: e.where, look: e.look },
      );
      return {
        key: `${other.id} ${common}`,
        words: there ? `Take off the shade of ${what}` : `Shade ${what}`,
        act: () => void bench.askEdit(there ? { kind: 'delete', id: there.id } : { kind: 'put', entry }),
      };
    }),
  );
}

export const trajectoryPart: PageKind<'trajectoryPart'> = {
  name: (body) => `${body.piece} ${body.coordinate ?? ''}`.trim(),
  form: PartForm,
  icon: Line,
  labels: () => [
    ['name', 'its name'],
    ['none', 'nothing'],
  ],
  coloured: () => false,
};
