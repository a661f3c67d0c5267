// What a teacher does at the board while talking: writes, points, covers, reveals, counts the time. It changes no document.
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { useBench } from '../bench/store';

export type Side = 'top' | 'right' | 'bottom' | 'left';
export type Hand = 'left' | 'right';

/** The colours of ink, in the order of the core. */
export const inks = ['black', 'red', 'blue', 'green'] as const;

const keptHand = 'parvix-hand';

export const useBoard = defineStore('board', () => {
  const bench = useBench();
  /** On which side the bar lies to the hand. */
  const hand = ref<Hand>(window.localStorage.getItem(keptHand) === 'right' ? 'right' : 'left');
  watch(hand, (side) => window.localStorage.setItem(keptHand, side));

  const pointing = ref(false);
  const writing = ref(false);
  const ink = ref(0);
  /** The sheet that covers the stage: from which side, and how much of it. */
  const curtain = ref<{ side: Side; share: number }>();
  const timing = ref(false);
  /** Whether the list of what can be covered is open. */
  const covering = ref(false);

  /** The length of the history when presenting began, and when each line of ink was written: what came last is undone first. */
  let begun = 0;
  const written = ref<number[]>([]);

  const canUndo = computed(() => written.value.length > 0 || bench.history.length > begun);
  async function undo() {
    const last = written.value.at(-1);
    if (last !== undefined && last >= bench.history.length) {
      written.value = written.value.slice(0, -1);
      await bench.frames.request(['inkBack']);
    } else if (bench.history.length > begun) {
      await bench.undo();
    }
  }
  const wrote = () => (written.value = [...written.value, bench.history.length]);
  function wipe() {
    written.value = [];
    void bench.frames.request(['inkWipe']);
  }

  /** Another scene begins as it is kept: ink belongs to its scene, what came before is not undone from here. */
  watch(
    () => [bench.presenting, bench.presenting && bench.scenesBegun],
    ([now], [before]) => {
      written.value = [];
      if (!now) {
        writing.value = timing.value = covering.value = false;
        curtain.value = undefined;
      } else if (!before) begun = bench.history.length;
    },
  );

  return {
    hand,
    pointing,
    writing,
    ink,
    curtain,
    timing,
    covering,
    canUndo,
    undo,
    wrote,
    wipe,
  };
});
