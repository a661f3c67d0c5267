// What the last picture says: readouts, formulas with the values in play, and where the dials stand.
import { shallowRef } from 'vue';
import type { FrameTexts } from '../generated/types';

/** Milliseconds at least between two states of the formulas: laying them out takes as long as all else of a picture. */
const formulasWait = 120;

export function useWords() {
  const texts = shallowRef<FrameTexts>();
  /** The formulas with the values in play, a few times a second while something moves. */
  const formulas = shallowRef<FrameTexts['now']>([]);
  /** The share of its bar at which each dial stands. */
  const fractions = shallowRef<number[]>([]);
  let waiting = 0;

  function followFormulas() {
    if (waiting) return;
    const now = texts.value?.now;
    if (!now || formulas.value === now) return;
    formulas.value = now;
    waiting = window.setTimeout(() => {
      waiting = 0;
      followFormulas();
    }, formulasWait);
  }

  return {
    page: {
      texts,
      formulas,
      fractions,
      /** What a transformation in steps, or a circle, tells in this picture; undefined when it is not in the scene. */
      stepsNow: (id: string) => texts.value?.steps.find((s) => s.id === id),
      circleNow: (id: string) => texts.value?.circles.find((c) => c.id === id),
    },
    /** Takes in the words of a picture; none where they are those of the picture before. */
    follow(words: FrameTexts | undefined, dials: number[]) {
      fractions.value = dials;
      if (words) texts.value = words;
      followFormulas();
    },
    clear() {
      texts.value = undefined;
      formulas.value = [];
    },
  };
}
