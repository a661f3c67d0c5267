import { useBench } from '../../bench/store';
import type { EntryOf, SpacePiece } from '../../generated/types';
import type { Action } from '../../shared/ActionMenu.vue';
import { hasKind, ofKind } from '../../shared/entries';
import { pieceActions, traceActions } from '../bench';
import type { PageKind } from '../kind';
import SpaceFindings from '../SpaceFindings.vue';
import Form from './Form.vue';
import Icon from './Icon.vue';

const pieces: [SpacePiece, string][] = [
  ['shadows', 'its shadows on the sides of the box'],
  ['velocity', 'the velocity'],
  ['acceleration', 'the acceleration'],
  ['tangent', 'the tangent'],
  ['osculating', 'the circle of curvature'],
];

/** Gives each piece between holes and breaks a colour of its own, or all the same. */
const colour = ({ id, body }: EntryOf<'spaceCurve'>): Action => ({
  key: 'pieces',
  words: body.pieces ? 'One colour for all pieces' : 'A colour for each piece',
  act: () =>
    void useBench().change((copy) => {
      const entry = copy.shown.find((s) => s.id === id);
      if (entry && hasKind(entry, 'spaceCurve')) entry.body.pieces = !body.pieces || undefined;
    }),
});

export const spaceCurve: PageKind<'spaceCurve'> = {
  name: () => 'curve in space',
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'its formula'],
    ['coordinates', 'the coordinates of its point'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
  below: SpaceFindings,
  actions: (e) => [
    ...(e.body.driver
      ? traceActions(e)
      : [
          {
            key: 'watch',
            words: 'Let a point run through it',
            act: () => void useBench().askEdit({ kind: 'watch', id: e.id, scene: useBench().scene }),
          },
        ]),
    colour(e),
    ...pieceActions(e.id, pieces, (piece) =>
      ofKind(useBench().document?.shown, 'spaceCurvePart').find(
        (p) => p.body.of === e.id && p.body.piece === piece,
      ),
    ),
  ],
  additions: () => [
    {
      key: 'spaceCurve',
      words: 'a curve in space (x(t), y(t), z(t))',
      fresh: () => ({ x: '', y: '', z: '', variable: 't', from: '0', to: '2π' }),
    },
  ],
};
