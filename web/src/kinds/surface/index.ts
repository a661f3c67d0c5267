import { useBench } from '../../bench/store';
import type { EntryOf, SurfacePiece } from '../../generated/types';
import type { Action } from '../../shared/ActionMenu.vue';
import { ofKind } from '../../shared/entries';
import { pieceActions, tell } from '../bench';
import type { PageKind } from '../kind';
import { lastHeight } from './functions';
import SpaceFindings from '../SpaceFindings.vue';
import Form from './Form.vue';
import Icon from './Icon.vue';

const partsOf = (id: string) =>
  ofKind(useBench().document?.shown, 'surfacePart').filter((p) => p.body.of === id);

/** What can be shown at a point of a surface, and on all of it. */
const pieces: [SurfacePiece, string][] = [
  ['point', 'a point on it'],
  ['tangentPlane', 'the tangent plane'],
  ['gradient', 'the gradient'],
  ['slopes', 'the slopes of both sections'],
  ['levels', 'level curves'],
];

const sectionActions = ({ id }: EntryOf<'surface'>): Action[] =>
  ['x', 'y', 'z'].map((axis) => ({
    key: `section ${axis}`,
    words: `Cut it across ${axis} at a dial, with the graph beside`,
    act: () => void useBench().askEdit({ kind: 'addSection', id, text: axis, scene: useBench().scene }),
  }));

export const surface: PageKind<'surface'> = {
  name: (body) => `surface of ${body.function}`,
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'its name'],
    ['formula', 'its formula'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
  below: SpaceFindings,
  tidy: (body) => {
    body.conditions = body.conditions?.filter((c) => c.trim());
    if (!body.conditions?.length) delete body.conditions;
  },
  actions: (e) => [
    ...sectionActions(e),
    ...pieceActions(e.id, pieces, (piece) =>
      partsOf(e.id).find((p) => p.body.piece === piece && (piece !== 'levels' || p.body.onFloor)),
    ),
    {
      key: 'map',
      words: 'Draw its level curves from above, in a panel beside',
      act: () => void useBench().askEdit({ kind: 'addMap', id: e.id, scene: useBench().scene }),
    },
    {
      key: 'tell',
      words: `Put the formula of ${e.body.function} into a text, live`,
      act: () => tell(e.id, '', ''),
    },
  ],
  additions: () => [
    {
      key: 'surface',
      words: 'a surface z = f(x, y)',
      waits: lastHeight() ? '' : 'state a function of two variables first: f(x, y) = …',
      fresh: () => ({ function: lastHeight() }),
    },
  ],
};
