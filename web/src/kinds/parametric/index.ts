import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const parametricSurface: PageKind<'parametricSurface'> = {
  name: () => 'parametric surface',
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'its formula'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
  additions: () => [
    {
      key: 'parametricSurface',
      words: 'a parametric surface (x(u, v), y(u, v), z(u, v))',
      fresh: () => ({ x: '', y: '', z: '', u: 'u', v: 'v', fromU: '0', toU: '2π', fromV: '−1', toV: '1' }),
    },
  ],
};
