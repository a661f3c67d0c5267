import { useBench } from '../../bench/store';
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
  additions: () => [
    {
      key: 'circle',
      words: 'a circle with an angle, and its graph beside it',
      waits: (useBench().document?.panels.length ?? 0) > 1 ? 'take the second panel off first' : '',
      act: () => void useBench().askEdit({ kind: 'addCircle', circle: { driver: 'θ' } }),
    },
  ],
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
