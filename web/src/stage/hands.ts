// What hands and keys do on a panel: on a plane they pan, zoom and stretch; space is turned, moved and seen along its axes.
import type { useBench } from '../bench/store';
import type { FrameTexts, Panel, Window } from '../generated/types';
import { arrows, listen, type Axis } from './gestures';

interface On {
  bench: ReturnType<typeof useBench>;
  panel: () => Panel;
  index: number;
  size: () => { width: number; height: number };
  /** Where the numbers beside the axes stand: a hand that takes one stretches its axis. */
  numbers: () => FrameTexts['numbers'];
  tap: (x: number, y: number) => void;
  hear: () => void;
  read: () => void;
}

/** How far beside a number, in pixels, a hand still takes it. */
const reach = 4;
/** By how many pixels a key moves what is seen, and turns space. */
const keyPan = 40;
const keyTurn = 24;

/** The directions from which space is seen by one action, in degrees: along an axis, and as it is seen at first. */
export const sights = {
  first: { turn: 32, tilt: 24 },
  x: { turn: 0, tilt: 0 },
  y: { turn: -90, tilt: 0 },
  z: { turn: -90, tilt: 90 },
};
export type SightName = keyof typeof sights;

export function useHands(on: On) {
  const { bench, index } = on;
  /** Whether the window was moved while presenting: a wheel comes to rest some time after its last turn. */
  let presented = false;
  let stretched = false;
  const isSpace = () => on.panel().kind === 'space';

  function pan(dx: number, dy: number) {
    presented ||= bench.presenting;
    void bench.frames.request(['panWindow', index, on.size().width, on.size().height, dx, dy]);
  }

  function orbit(dx: number, dy: number) {
    presented ||= bench.presenting;
    void bench.frames.request(['orbit', index, dx, dy]);
  }

  function zoom(x: number, y: number, factor: number) {
    presented ||= bench.presenting;
    void bench.frames.request(['zoomWindow', index, on.size().width, on.size().height, x, y, factor]);
  }

  function axisAt(x: number, y: number): Axis | undefined {
    if (isSpace()) return undefined;
    const number = on
      .numbers()
      .find(
        (n) =>
          x >= n.x - reach && x <= n.x + n.width + reach && y >= n.y - reach && y <= n.y + n.height + reach,
      );
    return number && (number.onY ? 'y' : 'x');
  }

  const listenOn = (plane: HTMLElement) =>
    listen(plane, {
      pan: (dx, dy, aside) => (isSpace() && !aside ? orbit(dx, dy) : pan(dx, dy)),
      shift: pan,
      scrolls: () => getComputedStyle(plane).touchAction === 'pan-y',
      axisAt,
      stretch: (axis, from, to) => {
        presented ||= bench.presenting;
        stretched = true;
        const onY = axis === 'y' ? 1 : 0;
        const { width, height } = on.size();
        void bench.frames.request(['stretchWindow', index, width, height, onY, from, to]);
      },
      zoom,
      fit: () => void (isSpace() ? lookFrom('first') : bench.fit(index)),
      tap: on.tap,
      settled: () => {
        void bench.keepWindow(index, presented, stretched);
        presented = false;
        stretched = false;
      },
    });

  /** Glides to a direction from which space is seen. */
  async function lookFrom(name: SightName) {
    const { window } = await bench.askInPlay({ kind: 'window', panel: index, ...on.size() });
    if (!window?.space) return;
    await bench.glideTo(index, window, aimed(window, name));
    await bench.keepWindow(index, bench.presenting);
  }

  /** Arrows on space turn it, with shift they move it; x, y and z look along an axis, 0 as at first. */
  function spaceKey(e: KeyboardEvent): boolean {
    const arrow = arrows[e.key];
    if (arrow && !e.shiftKey) {
      orbit(-keyTurn * arrow[0], keyTurn * arrow[1]);
      return true;
    }
    const name = e.key === '0' ? 'first' : e.key;
    if (!(name in sights) || e.ctrlKey || e.metaKey) return false;
    e.preventDefault();
    void lookFrom(name as SightName);
    return false;
  }

  /** Keys on the plane: arrows pan, + and − zoom, 0 fits, r reads, l listens. */
  function planeKey(e: KeyboardEvent): boolean {
    if (e.ctrlKey || e.metaKey || isSpace()) return false;
    const acts: Record<string, () => void> = { '0': () => void bench.fit(index), l: on.hear, r: on.read };
    if (!acts[e.key]) return false;
    e.preventDefault();
    acts[e.key]!();
    return false;
  }

  function key(e: KeyboardEvent) {
    const arrow = arrows[e.key];
    let moved = isSpace() ? spaceKey(e) : planeKey(e);
    if (!moved && arrow && (!isSpace() || e.shiftKey)) {
      // On a plane the window goes, in space the box.
      const way = isSpace() ? -keyPan : keyPan;
      pan(-way * arrow[0], way * arrow[1]);
      moved = true;
    } else if (e.key === '+' || e.key === '-') {
      zoom(on.size().width / 2, on.size().height / 2, e.key === '+' ? 0.8 : 1.25);
      moved = true;
    }
    if (!moved) return;
    e.preventDefault();
    presented = false;
    void bench.keepWindow(index, bench.presenting);
  }

  return { listenOn, key, lookFrom };
}

/** A window of space seen from a direction, as large as it fits. */
const aimed = (window: Window, name: SightName): Window => ({
  ...window,
  space: { ...window.space!, ...sights[name], zoom: 1, across: 0, up: 0 },
});
