import type { PageKind } from '../kind';
import Line from '../Line.vue';
import Form from './Form.vue';

export const path: PageKind<'path'> = {
  name: (body) => body.function,
  form: Form,
  icon: Line,
  labels: () => [
    ['name', 'its equation'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
};
