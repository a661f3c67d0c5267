import type { PageKind } from '../kind';
import Line from '../Line.vue';
import PartForm from '../PartForm.vue';

export const spaceCurvePart: PageKind<'spaceCurvePart'> = {
  name: (body) => body.piece,
  form: PartForm,
  icon: Line,
  labels: () => [
    ['name', 'its number'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
};
