// What the last picture says: readouts, formulas with the values in play, and where the dials stand.
import { shallowRef } from 'vue';
import type { FrameTexts } from '../generated/types';

export function useWords() {
  const texts = shallowRef<FrameTexts>();
  /** The formulas with the values in play, a few times a second while something moves. */
  const formulas = shallowRef<string[]>([]);
  /** The share of its bar at which each dial stands. */
  const fractions = shallowRef<number[]>([]);
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
      if (words?.now) formulas.value = words.now;
    },
    clear() {
      texts.value = undefined;
      formulas.value = [];
    },
  };
}
