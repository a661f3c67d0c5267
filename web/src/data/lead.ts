// Dials that are led to the best fit: they glide there, and stay adjustable.
import { useBench } from '../bench/store';
import type { ScatterBody } from '../generated/types';

const glideTime = 900;

export async function leadToBest({ function: name, data, x, y }: ScatterBody) {
  const bench = useBench();
  const inPlay = await bench.valuesInPlay();
  const answer = await bench.ask({ kind: 'bestDials', text: name, id: data, names: [x, y], values: inPlay });
  if (answer.problem) {
    bench.mistake = answer.problem.message;
    return;
  }
  const widened = answer.document?.stated;
  if (widened) await bench.change((copy) => (copy.stated = widened));
  const goals = Object.entries(answer.values ?? {}).map(([dial, to]) => ({
    index: bench.loaded?.dials.findIndex((d) => d.name === dial) ?? -1,
    from: inPlay[dial] ?? to,
    to,
  }));
  const end = bench.beginMove();
  const glides = !matchMedia('(prefers-reduced-motion: reduce)').matches;
  const begun = performance.now();
  for (let share = glides ? 0 : 1; ;) {
    if (glides) {
      const now = await new Promise<number>(requestAnimationFrame);
      share = Math.min(1, Math.max(0, (now - begun) / glideTime));
    }
    const eased = share * share * (3 - 2 * share);
    await Promise.all(
      goals.map(({ index, from, to }) =>
        bench.frames.request(['setDial', index, share < 1 ? from + (to - from) * eased : to]),
      ),
    );
    if (share >= 1) break;
  }
  await end();
}
