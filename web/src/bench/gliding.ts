// A panel's window glides to another one, in play.
import type { Frames } from '../core/frames';
import type { Window } from '../generated/types';

const glideTime = 350;
type End = 'left' | 'right' | 'bottom' | 'top';

/** Half a turn in degrees. */
const half = 180;

/** Glides, or stands there at once for those who want no motion. Space turns the shorter way round. */
export async function glide(frames: Frames, panel: number, from: Window, to: Window, equalScales?: boolean) {
  const begun = performance.now();
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  for (let share = 0; share < 1;) {
    const now = await new Promise(requestAnimationFrame);
    share = still ? 1 : Math.min(1, Math.max(0, (now - begun) / glideTime));
    const eased = share * share * (3 - 2 * share);
    const between = (a: number, b: number) => a + (b - a) * eased;
    const at = (end: End) => between(from[end], to[end]);
    await frames.request(
      ['putWindow', panel, at('left'), at('right'), at('bottom'), at('top'), equalScales ? 1 : 0],
      ...(from.space && to.space ? [looking(panel, from.space, to.space, between)] : []),
    );
  }
}

type Sight = NonNullable<Window['space']>;

function looking(panel: number, from: Sight, to: Sight, between: (a: number, b: number) => number) {
  const turn = ((((to.turn - from.turn + half) % (2 * half)) + 2 * half) % (2 * half)) - half;
  return [
    'look',
    panel,
    between(from.turn, from.turn + turn),
    between(from.tilt, to.tilt),
    between(from.zoom ?? 1, to.zoom ?? 1),
    between(from.across ?? 0, to.across ?? 0),
    between(from.up ?? 0, to.up ?? 0),
  ] satisfies ['look', number, number, number, number, number, number];
}
