import type { FigureShape } from '../../generated/types';
import { lastFunction, needsFunction, points, tell } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

/** What the measure of a shape is called. */
const measures: Partial<Record<FigureShape, string>> = {
  segment: 'the length',
  arrow: 'the way',
  circle: 'the radius',
  polygon: 'the area',
  angle: 'the angle',
  rightAngle: 'the angle',
  plane: 'the plane',
  tangent: 'the tangent',
  normal: 'the perpendicular',
};

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
  actions: ({ id, body: { shape, name } }) =>
    shape === 'intersection'
      ? []
      : [
          {
            key: 'tell',
            words: 'Put its measure into a text, live',
            act: () => tell(id, `${name ?? measures[shape] ?? shape}: `, ''),
          },
        ],
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
