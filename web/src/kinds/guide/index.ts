import type { PageKind } from '../kind';
import Line from '../Line.vue';
import Form from './Form.vue';

export const guide: PageKind<'guide'> = {
  name: () => 'guide',
  form: Form,
  icon: Line,
  labels: () => [
    ['name', 'its equation'],
    ['none', 'nothing'],
  ],
  line: () => 'dashed',
  coloured: () => true,
  additions: () => [{ key: 'guide', words: 'a guide line', fresh: () => ({ direction: 'upright', at: '' }) }],
};
