// Whether the curves are left on the stage, pale, as they were before a dial moved.
import { ref } from 'vue';
import type { Frames } from '../core/frames';

export function useRemembering(frames: Frames) {
  const remembering = ref(false);
  async function remember(on: boolean) {
    remembering.value = on;
    await frames.request(['rememberCurves', on ? 1 : 0]);
  }
  return { remembering, remember };
}
