// Whether the curves are left on the stage, pale, as they were before a dial moved.
import { ref, watch, type Ref } from 'vue';
import type { Frames } from '../core/frames';

export function useRemembering(frames: Frames, generation: Ref<number>) {
  const remembering = ref(false);
  async function remember(on: boolean) {
    remembering.value = on;
    await frames.request(['rememberCurves', on ? 1 : 0]);
  }
  // A core that was started anew remembers nothing.
  watch(generation, () => (remembering.value = false));
  return { remembering, remember };
}
