import type { SurfacePiece } from '../../generated/types';
import { traceActions } from '../bench';
import type { PageKind } from '../kind';
import Line from '../Line.vue';
import PartForm from './PartForm.vue';

const names: Record<SurfacePiece, string> = {
  section: 'section',
  levels: 'level curves',
  point: 'point on the surface',
  tangentPlane: 'tangent plane',
  gradient: 'gradient',
  slopes: 'slopes',
};

export const surfacePart: PageKind<'surfacePart'> = {
  name: (body) => (body.piece === 'section' ? `section at ${body.axis} = ${body.at}` : names[body.piece]),
  form: PartForm,
  icon: Line,
  labels: () => [
    ['name', 'its numbers'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
  actions: (e) => (e.body.piece === 'point' ? traceActions(e) : []),
};
