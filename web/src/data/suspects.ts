// Values that stand out: the core that has time finds them, the core for frames rings them, the desk tells them.
import { shallowRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Suspect, Suspects } from '../generated/types';
import { ofKind } from '../shared/entries';
import { useDataDesk, type Pair } from './desk';

const found = shallowRef<Suspects[]>([]);

/** What stands out in two columns, as it was found last; undefined where nothing was looked for. */
export const suspectsOf = ({ data, x, y }: Pair): Suspect[] | undefined =>
  found.value.find((s) => s.data === data && s.x === x && s.y === y)?.list;

/** Looks again whenever data, what is shown of them or what lies on the desk have changed. */
export function useSuspects() {
  const bench = useBench();
  const desk = useDataDesk();
  let seen = '';

  /** The pairs of columns in which something may be told. */
  function pairs(): Pair[] {
    const plots = ofKind(bench.document?.shown, 'scatter').filter(
      ({ body }) => !body.unmarked && !body.asResiduals,
    );
    const list: Pair[] = plots.map(({ body: { data, x, y } }) => ({ data, x, y }));
    const { pair } = desk;
    if (pair && !list.some((p) => p.data === pair.data && p.x === pair.x && p.y === pair.y))
      list.push({ ...pair });
    return list;
  }

  async function look() {
    const document = bench.document;
    if (!document) return;
    const wanted = pairs();
    const data = document.stated.filter((s) => s.kind === 'data');
    // A core that was started anew knows nothing of what was found.
    const state = JSON.stringify([bench.generation, data, wanted]);
    if (state === seen) return;
    seen = state;
    const list: Suspects[] = [];
    for (const { data, x, y } of wanted) {
      const { suspects } = await bench.ask({ kind: 'suspects', id: data, names: [x, y] });
      if (!suspects || state !== seen) continue;
      list.push(suspects);
      await bench.askInPlay({ kind: 'found', suspects });
    }
    if (state !== seen) return;
    found.value = list;
    if (wanted.length) void bench.frames.request();
  }
  watch([() => bench.loaded, () => desk.pair], () => void look());
}
