// Dials that move by themselves. Where a sweep stands after so many seconds is the core's to say.
import { ref } from 'vue';
import type { Move } from '../core/messages';

interface Sweep {
  /** The share of the bar at which it began; above 1 on the way back, as far as it is from 2. */
  start: number;
  begun: number;
  /** Seconds that ran before the last pause. */
  before: number;
  running: boolean;
}

export function useSweeps(request: (move: Move) => void, fraction: (dial: number) => number) {
  const sweeps = ref<Record<number, Sweep>>({});
  /** Where each dial stood at the last beat, and which ones rest on their way back down. */
  const last: Record<number, number> = {};
  const falling = new Set<number>();
  /** The dials that were held still together. */
  const held = ref<number[]>([]);
  /** The display frame that is asked for; 0 while nothing runs. */
  let beating = 0;

  const seconds = (s: Sweep) => s.before + (s.running ? (performance.now() - s.begun) / 1000 : 0);

  /** A window that nobody sees sweeps nothing; the clock of what runs stands still meanwhile. */
  function seen() {
    const now = performance.now();
    const hidden = document.hidden;
    for (const sweep of Object.values(sweeps.value)) {
      if (!sweep.running) continue;
      if (hidden) sweep.before += (now - sweep.begun) / 1000;
      sweep.begun = now;
    }
    if (hidden) cancelAnimationFrame(beating);
    else beat();
  }
  document.addEventListener('visibilitychange', seen);

  function beat() {
    let any = false;
    for (const [dial, sweep] of Object.entries(sweeps.value)) {
      if (!sweep.running) continue;
      any = true;
      last[Number(dial)] = fraction(Number(dial));
      request(['sweepDial', Number(dial), sweep.start, seconds(sweep)]);
    }
    beating = any ? requestAnimationFrame(beat) : 0;
  }

  /** Starts, pauses, or goes on where it was paused. */
  function toggle(dial: number) {
    const sweep = sweeps.value[dial];
    if (sweep?.running) {
      sweep.before = seconds(sweep);
      sweep.running = false;
      return;
    }
    last[dial] = fraction(dial);
    sweeps.value[dial] = {
      start: sweep?.start ?? (falling.has(dial) ? 2 - last[dial] : last[dial]),
      before: sweep?.before ?? 0,
      begun: performance.now(),
      running: true,
    };
    if (!beating) beating = requestAnimationFrame(beat);
  }

  return {
    isRunning: (dial: number) => sweeps.value[dial]?.running ?? false,
    toggle,
    /** Whether dials are held still that would go on together. */
    holds: () =>
      !Object.values(sweeps.value).some((s) => s.running) && held.value.some((dial) => sweeps.value[dial]),
    /** Holds everything still that sweeps; held still, all of it goes on, with one start. */
    holdOrGoOn() {
      const running = Object.keys(sweeps.value)
        .map(Number)
        .filter((dial) => sweeps.value[dial]!.running);
      const list = running.length ? running : held.value.filter((dial) => sweeps.value[dial]);
      held.value = running;
      list.forEach(toggle);
    },
    /** A sweep has ended, or rests on its way: begun again it goes on the same way. */
    end(dial: number) {
      delete sweeps.value[dial];
      if (fraction(dial) < last[dial]!) falling.add(dial);
      else falling.delete(dial);
    },
    /** Forgets a sweep: a hand took the dial. */
    stop(dial: number) {
      delete sweeps.value[dial];
      falling.delete(dial);
    },
    stopAll() {
      falling.clear();
      sweeps.value = {};
      held.value = [];
    },
  };
}
