import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const finding: PageKind<'finding'> = {
  name: (body) => body.function,
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'coordinates or equations'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
};
