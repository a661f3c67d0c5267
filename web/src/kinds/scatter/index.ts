import { useBench } from '../../bench/store';
import { useDataDesk } from '../../data/desk';
import { leadToBest } from '../../data/lead';
import type { EntryOf } from '../../generated/types';
import { fresh } from '../../shared/entries';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

const tables = () => (useBench().document?.stated ?? []).filter((s) => s.kind === 'data');

/** The residuals over the same column, in a panel beside. */
async function beside({ body }: EntryOf<'scatter'>) {
  const bench = useBench();
  const panels = bench.document!.panels.length;
  if (await bench.askEdit({ kind: 'addPanel', panel: panels - 1, empty: true })) return;
  const panel = bench.document!.panels[panels]!.id;
  await bench.askEdit({
    kind: 'put',
    entry: fresh(
      'scatter',
      { ...body, asResiduals: true, residuals: undefined, labels: undefined },
      { where: { panels: [panel] } },
    ),
  });
  const y = bench.document!.stated.find((s) => s.id === body.data)?.columns?.find((c) => c.name === body.y);
  await bench.change((copy) => {
    copy.panels[panels]!.title = `Residuals of ${body.function}`;
    copy.panels[panels]!.nameY = y?.unit ? `residual in ${y.unit}` : 'residual';
  });
  await bench.fit(panels);
}

export const scatter: PageKind<'scatter'> = {
  name: (body) => (body.asResiduals ? 'residuals' : 'scatter plot'),
  form: Form,
  icon: Icon,
  labels: () => [],
  grip: (_, grip) => `Point of row ${grip}`,
  coloured: () => true,
  actions: (entry) => {
    const { body } = entry;
    const list = [{ key: 'desk', words: 'Open the table', act: () => void (useDataDesk().open = body.data) }];
    if (!body.function || body.asResiduals) return list;
    return [
      ...list,
      {
        key: 'lead',
        words: `Lead the dials of ${body.function} to the best fit`,
        act: () => void leadToBest(body),
      },
      { key: 'beside', words: 'Residuals in a panel beside', act: () => void beside(entry) },
    ];
  },
  additions: () => [
    { key: 'data', words: 'data: type, paste or open a table', act: () => void (useDataDesk().open = 'new') },
    {
      key: 'scatter',
      words: 'a scatter plot of two columns',
      waits: tables().length ? '' : 'state data first',
      fresh: () => {
        const data = tables().at(-1)!;
        return { data: data.id, x: data.columns?.[0]?.name ?? '', y: data.columns?.[1]?.name ?? '' };
      },
    },
  ],
};
