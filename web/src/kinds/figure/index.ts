import { lastFunction, needsFunction, points } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const figure: PageKind<'figure'> = {
  name: (body) => body.name ?? body.shape,
  form: Form,
  icon: Icon,
  labels: ({ shape }) =>
    shape === 'plane'
      ? [
          ['formula', 'its equation'],
          ['none', 'nothing'],
        ]
      : shape === 'tangent' || shape === 'normal'
        ? [
            ['formula', 'its equation'],
            ['name', 'its slope'],
            ['none', 'nothing'],
          ]
        : [
            ['name', 'its measure'],
            ['none', 'nothing'],
          ],
  coloured: () => true,
  additions: () => [
    {
      key: 'figure',
      words: 'a piece of geometry: segment, angle, polygon, tangent, plane …',
      // A segment between the last two points, or a tangent where there are none.
      fresh: () => {
        const ids = points().map((p) => p.value);
        return ids.length < 2 && !needsFunction()
          ? { shape: 'tangent', function: lastFunction(), at: '' }
          : { shape: 'segment', points: ids.slice(-2) };
      },
    },
  ],
};
