// What the last picture says: readouts, formulas with the values in play, and where the dials stand.
import { shallowRef } from 'vue';
import type { FrameTexts } from '../generated/types';

export function useWords() {
  const texts = shallowRef<FrameTexts>();
  /** The formulas with the values in play, a few times a second while something moves. */
  const formulas = shallowRef<string[]>([]);
  /** The share of its bar at which each dial stands. */
  const fractions = shallowRef<number[]>([]);
  /** Words that came with a picture and are not on the page yet. */
  let waiting: FrameTexts | undefined;
  return {
    page: {
      texts,
      formulas,
      fractions,
      /** What a transformation in steps, or a circle, tells in this picture; undefined when it is not in the scene. */
      stepsNow: (id: string) => texts.value?.steps.find((s) => s.id === id),
      circleNow: (id: string) => texts.value?.circles.find((c) => c.id === id),
    },
    /** Takes in the words of a picture; none where they are those of the picture before. Where the next picture is on its way already, the
     * page is slower than the hand: then every second picture's words are left out, which cost it a layout. */
    follow(words: FrameTexts | undefined, dials: number[], followed: boolean) {
      fractions.value = dials;
      if (words?.now) formulas.value = words.now;
      const late = waiting;
      waiting = undefined;
      if (words && followed && !late) waiting = words;
      else if (words ?? late) texts.value = words ?? late;
    },
    clear() {
      waiting = undefined;
      texts.value = undefined;
      formulas.value = [];
    },
  };
}
