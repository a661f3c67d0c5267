// Readings off the curves of a panel: at a tap or at a typed place, again whenever something has moved.
import { ref, shallowRef } from 'vue';
import type { useBench } from '../bench/store';
import type { PanelSize } from '../core/messages';
import type { Ask, Problem, ReadingView } from '../generated/types';
import { fresh } from '../shared/entries';
import { follower } from '../shared/follower';

type Bench = ReturnType<typeof useBench>;

export function useReading(bench: Bench, panel: number, size: () => PanelSize) {
  const reading = shallowRef<ReadingView>();
  const problem = ref<Problem>();

  async function ask(fields: Partial<Ask>) {
    const inPlay = await bench.inPlayOf(panel);
    return bench.ask({ kind: 'read', panel, ...size(), ...inPlay, ...fields });
  }

  /** Reads the curve that was tapped; a tap beside all curves closes the reading. */
  async function tap(x: number, y: number) {
    problem.value = undefined;
    reading.value = (await ask({ x, y })).reading;
  }

  /** Reads a function at a typed place; what is wrong is said and the last reading stays. */
  async function at(id: string, text: string) {
    if (!text.trim()) return;
    const answer = await ask({ id, text });
    problem.value = answer.problem;
    if (answer.reading) reading.value = answer.reading;
  }

  /** Reads again after a move. */
  const follow = follower(async () => {
    if (reading.value) await once(reading.value);
  });

  async function once(now: ReadingView) {
    const { reading: next } = await ask({ id: now.function, text: now.xText });
    if (reading.value !== now) return;
    const same = next?.latex === now.latex;
    if (same && next.x === now.x && next.y === now.y) return;
    // The words about a special point hold as long as nothing but the window has moved.
    reading.value = next && { ...next, special: same ? now.special : undefined };
  }

  /** Keeps the reading as a point of the demonstration. */
  async function keep() {
    const { keepX: x, keepY: y } = reading.value!;
    problem.value = await bench.askEdit({
      kind: 'put',
      entry: fresh('point', { name: '', x, y }, { look: { colour: 0, label: 'coordinates' } }),
    });
    if (!problem.value) reading.value = undefined;
  }

  const close = () => (reading.value = undefined);

  return { reading, problem, tap, at, follow, keep, close };
}
