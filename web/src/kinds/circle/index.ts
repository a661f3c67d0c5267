import { useBench } from '../../bench/store';
import { ofKind } from '../../shared/entries';
import type { PageKind } from '../kind';
import Line from '../Line.vue';
import PartForm from '../PartForm.vue';
import Below from './Below.vue';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const circle: PageKind<'circle'> = {
  name: () => 'circle',
  form: Form,
  icon: Icon,
  labels: () => [],
  coloured: () => true,
  below: Below,
  additions: () => {
    const { shown = [], stated = [], panels = [] } = useBench().document ?? {};
    const driver =
      ['θ', 'φ', 'ψ', 'α', 'β', 'γ', 'δ'].find((name) => !stated.some((s) => s.name === name)) ?? 't';
    const add = (own: boolean) => void useBench().addCircle({ driver }, own);
    const waits = (full: boolean) => (full ? 'take panels off first: it needs two' : '');
    if (!ofKind(shown, 'circle').length)
      return [
        {
          key: 'circle',
          words: 'a circle with an angle, and its graph beside it',
          waits: waits(panels.length > 2),
          act: () => add(false),
        },
      ];
    return [
      { key: 'circle', words: 'another circle in the same pictures', act: () => add(false) },
      {
        key: 'ownCircle',
        words: 'another circle with pictures of its own',
        waits: waits(panels.length > 2),
        act: () => add(true),
      },
    ];
  },
};

export const circlePart: PageKind<'circlePart'> = {
  name: (body) => `${body.piece} ${body.ratio ?? ''}`.trim(),
  form: PartForm,
  icon: Line,
  labels: () => [
    ['name', 'its name'],
    ['none', 'nothing'],
  ],
  coloured: () => false,
};
