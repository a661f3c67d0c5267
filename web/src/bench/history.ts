// Undo and redo: the document and the values in play before each step.
import { computed, shallowRef } from 'vue';
import type { Document } from '../generated/types';

export type Values = Record<string, number>;

export interface Step {
  document: Document;
  values: Values;
}

const longest = 200;

export function useHistory() {
  const past = shallowRef<Step[]>([]);
  const future = shallowRef<Step[]>([]);

  return {
    length: computed(() => past.value.length),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    /** Notes the state before a step; the returned function forgets it again, when the step came to nothing. */
    note(before: Step): () => void {
      const [steps, undone] = [past.value, future.value];
      const noted = [...steps.slice(1 - longest), before];
      past.value = noted;
      future.value = [];
      return () => {
        const last = past.value === noted;
        past.value = last ? steps : past.value.filter((s) => s !== before);
        if (last) future.value = undone;
      };
    },
    /** Takes a step back (or forward) from now; undefined when there is none. */
    back(now: Step): Step | undefined {
      const step = past.value.at(-1);
      if (!step) return undefined;
      past.value = past.value.slice(0, -1);
      future.value = [...future.value, now];
      return step;
    },
    forward(now: Step): Step | undefined {
      const step = future.value.at(-1);
      if (!step) return undefined;
      future.value = future.value.slice(0, -1);
      past.value = [...past.value, now];
      return step;
    },
    clear() {
      past.value = [];
      future.value = [];
    },
  };
}
