// What can be shown at the point that runs through a polar or parametric curve, and between two polar curves.
import { useBench } from '../../bench/store';
import type { EntryOf, TrajectoryPiece } from '../../generated/types';
import type { Action } from '../../shared/ActionMenu.vue';
import { fresh, ofKind } from '../../shared/entries';
import { pieceActions as toggles } from '../bench';
import type { PageKind } from '../kind';
import Line from '../Line.vue';
import PartForm from '../PartForm.vue';

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
    ['tangent', 'the tangent'],
    ['osculating', 'the circle of curvature'],
    ['dots', 'dots at equal steps'],
    ['directions', 'the direction'],
    ['swept', 'the area swept'],
  ];
  return toggles(e.id, all, (piece) => parts(e.id).find((p) => p.body.piece === piece && !p.body.step));
}

/** Actions that shade what lies between a polar curve and another one. */
export function regionActions(e: EntryOf<'trajectory'>): Action[] {
  const bench = useBench();
  const name = e.body.function;
  if (!name) return [];
  const others = ofKind(bench.document?.shown, 'trajectory').filter((t) => t.body.function && t.id !== e.id);
  return others.flatMap((other) =>
    [false, true].map((common) => {
      const there = parts(e.id).find((p) => p.body.other === other.id && !!p.body.common === common);
      const what = common
        ? `what ${name} and ${other.body.function} both enclose`
        : `what ${name} encloses and ${other.body.function} does not`;
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
