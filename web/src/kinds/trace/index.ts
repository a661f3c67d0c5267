import { useBench } from '../../bench/store';
import type { EntryOf } from '../../generated/types';
import { ofKind } from '../../shared/entries';
import { tracedPoints } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

async function clear(e: EntryOf<'trace'>) {
  const bench = useBench();
  if (e.body.kept?.length) {
    await bench.change((copy) => delete ofKind(copy.shown, 'trace').find((t) => t.id === e.id)!.body.kept);
  }
  await bench.frames.request(['clearTraces']);
}

export const trace: PageKind<'trace'> = {
  name: () => 'trace',
  form: Form,
  icon: Icon,
  labels: () => [],
  coloured: () => true,
  actions: (e) => [
    { key: 'clear', words: 'Clear the trace', act: () => void clear(e) },
    { key: 'keep', words: 'Keep the trace', act: () => void useBench().keepTrace(e.id) },
  ],
  additions: () => [
    {
      key: 'trace',
      words: 'the trace of a point',
      waits: tracedPoints().length ? '' : 'show a point first',
      fresh: () => ({ of: tracedPoints().at(-1)?.value ?? '' }),
    },
  ],
};
