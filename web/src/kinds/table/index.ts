import { useBench } from '../../bench/store';
import { fresh, ofKind } from '../../shared/entries';
import type { PageKind } from '../kind';
import Below from './Below.vue';
import Form from './Form.vue';
import Icon from './Icon.vue';

/** Every tap on the stage is a point of the table from now on. */
async function tapPoints(id: string) {
  const bench = useBench();
  await bench.change((copy) => (ofKind(copy.shown, 'table').find((e) => e.id === id)!.body.grips = true));
  bench.plotting = id;
}

async function addTapped() {
  const bench = useBench();
  await bench.askEdit({ kind: 'put', entry: fresh('table', { grips: true }) });
  bench.plotting = bench.document!.shown.at(-1)!.id;
}

export const table: PageKind<'table'> = {
  name: () => 'table',
  form: Form,
  icon: Icon,
  labels: () => [],
  grip: (_, grip) => `Plotted point ${grip}`,
  coloured: () => true,
  below: Below,
  tidy: (body) => (body.rows = body.rows?.filter((r) => r.x.trim() || r.y.trim())),
  actions: ({ id }) => [{ key: 'plot', words: 'Plot points by tapping', act: () => void tapPoints(id) }],
  additions: () => [
    { key: 'table', words: 'plotted points from a table', fresh: () => ({ rows: [] }) },
    { key: 'plot', words: 'points plotted by tapping the stage', act: () => void addTapped() },
  ],
};
