// Dials that move by themselves. Where a sweep stands after so many seconds is the core's to say.
import { ref } from 'vue';
import type { Move } from '../core/messages';

interface Sweep {
  start: number;
  begun: number;
  /** Seconds that ran before the last pause. */
  before: number;
  running: boolean;
}

export function useSweeps(request: (move: Move) => void, fraction: (dial: number) => number) {
  const sweeps = ref<Record<number, Sweep>>({});
  let beating = false;

  const seconds = (s: Sweep) => s.before + (s.running ? (performance.now() - s.begun) / 1000 : 0);

  function beat() {
    let any = false;
    for (const [dial, sweep] of Object.entries(sweeps.value)) {
      if (!sweep.running) continue;
      any = true;
      request(['sweepDial', Number(dial), sweep.start, seconds(sweep)]);
    }
    beating = any;
    if (any) requestAnimationFrame(beat);
  }

  return {
    isRunning: (dial: number) => sweeps.value[dial]?.running ?? false,
    /** Starts, pauses, or goes on where it was paused. */
    toggle(dial: number) {
      const sweep = sweeps.value[dial];
      if (sweep?.running) {
        sweep.before = seconds(sweep);
        sweep.running = false;
        return;
      }
      sweeps.value[dial] = {
        start: sweep?.start ?? fraction(dial),
        before: sweep?.before ?? 0,
        begun: performance.now(),
        running: true,
      };
      if (!beating) {
        beating = true;
        requestAnimationFrame(beat);
      }
    },
    /** Forgets a sweep: it has ended, or a hand took the dial. */
    stop(dial: number) {
      delete sweeps.value[dial];
    },
    stopAll() {
      sweeps.value = {};
    },
  };
}
