import { useBench } from '../../bench/store';
import { needsFunction, traceActions } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const point: PageKind<'point'> = {
  name: (body) => body.name,
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'its name'],
    ['coordinates', 'name and coordinates'],
    ['none', 'nothing'],
  ],
  coloured: () => true,
  actions: traceActions,
  tidy: (body) => {
    if (!body.z?.trim()) delete body.z;
  },
  additions: () => [
    { key: 'point', words: 'a point', fresh: () => ({ name: '', x: '', y: '' }) },
    { key: 'spacePoint', words: 'a point in space', fresh: () => ({ name: '', x: '', y: '', z: '0' }) },
    {
      key: 'runner',
      words: 'a point that runs along all curves',
      waits: needsFunction(),
      act: () => void useBench().askEdit({ kind: 'runAlong', scene: useBench().scene }),
    },
  ],
};
