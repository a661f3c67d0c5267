import type { PageKind } from '../kind';
import Below from './Below.vue';
import Form from './Form.vue';
import Icon from './Icon.vue';
import { pieceActions, regionActions } from './part';

export const trajectory: PageKind<'trajectory'> = {
  name: (body) => body.function ?? 'the curve',
  form: Form,
  icon: Icon,
  labels: (body) =>
    body.family
      ? [
          ['name', "its parameter's value"],
          ['none', 'nothing'],
        ]
      : [
          ['name', 'its name'],
          ['formula', 'the formula with values'],
          ['none', 'nothing'],
        ],
  coloured: (body) => !body.family,
  below: Below,
  actions: (e) => [...pieceActions(e), ...regionActions(e)],
  additions: () => [
    {
      key: 'trajectory',
      words: 'a parametric curve (x(t), y(t))',
      fresh: () => ({ x: '', y: '', variable: 't', from: '0', to: '2π' }),
    },
  ],
};
