// Values that stand out: the core that has time finds them, the core for frames rings them, the desk tells them.
import { shallowRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Suspect, Suspects } from '../generated/types';
import { ofKind } from '../shared/entries';

const found = shallowRef<Suspects[]>([]);

/** What stands out in two columns, as it was found last. */
export const suspectsOf = (data: string, x: string, y: string): Suspect[] =>
  found.value.find((s) => s.data === data && s.x === x && s.y === y)?.list ?? [];

/** Looks again whenever data or what is shown of them have changed. */
export function useSuspects() {
  const bench = useBench();
  let seen = '';

  async function look() {
    const document = bench.document;
    if (!document) return;
    const plots = ofKind(document.shown, 'scatter').filter(({ body }) => !body.unmarked && !body.asResiduals);
    const data = document.stated.filter((s) => s.kind === 'data');
    const state = JSON.stringify([
      document.title,
      data,
      plots.map(({ body }) => [body.data, body.x, body.y]),
    ]);
    if (state === seen) return;
    seen = state;
    const list: Suspects[] = [];
    for (const { body } of plots) {
      const { suspects } = await bench.ask({ kind: 'suspects', id: body.data, names: [body.x, body.y] });
      if (!suspects || state !== seen) continue;
      list.push(suspects);
      await bench.askInPlay({ kind: 'found', suspects });
    }
    if (state !== seen) return;
    found.value = list;
    if (plots.length) void bench.frames.request();
  }
  watch(
    () => bench.loaded,
    () => void look(),
  );
}
