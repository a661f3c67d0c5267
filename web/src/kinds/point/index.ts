import { useBench } from '../../bench/store';
import { fresh, ofKind } from '../../shared/entries';
import { needsFunction } from '../bench';
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
  actions: ({ id, look }) => {
    const bench = useBench();
    if (ofKind(bench.document?.shown, 'trace').some((t) => t.body.of === id)) return [];
    const entry = fresh('trace', { of: id }, { look });
    return [{ key: 'trace', words: 'Trace it', act: () => void bench.askEdit({ kind: 'put', entry }) }];
  },
  additions: () => [
    { key: 'point', words: 'a point', fresh: () => ({ name: '', x: '', y: '' }) },
    {
      key: 'runner',
      words: 'a point that runs along all curves',
      waits: needsFunction(),
      act: () => void useBench().askEdit({ kind: 'runAlong', scene: useBench().scene }),
    },
  ],
};
