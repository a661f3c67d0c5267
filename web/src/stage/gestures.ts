// Hands on a panel: drag pans, wheel and pinch zoom at the pointer, a double tap fits. Only pixels are known here.
export type Axis = 'x' | 'y';

export interface Hands {
  /** aside tells that a key or another button is held with it. */
  pan(dx: number, dy: number, aside: boolean): void;
  /** Two fingers move together. */
  shift(dx: number, dy: number): void;
  /** Whether a finger that goes up or down scrolls the page instead. */
  scrolls(): boolean;
  /** The axis whose number lies at a place. */
  axisAt(x: number, y: number): Axis | undefined;
  /** What was at one place along an axis goes to another. */
  stretch(axis: Axis, from: number, to: number): void;
  zoom(x: number, y: number, factor: number): void;
  fit(): void;
  /** A tap that was no drag. */
  tap(x: number, y: number): void;
  /** The hands let go, or the wheel rests. */
  settled(): void;
}

const wheelRest = 400;
const doubleTap = 350;
/** Pixels between two taps that are one double tap. */
const sameTap = 24;
const wheelPace = 0.0015;

const isUpright = (dx: number, dy: number) => Math.abs(dy) > Math.abs(dx);

/** Listens on an element until the returned function is called. */
export function listen(element: HTMLElement, hands: Hands): () => void {
  const down = new Map<number, { x: number; y: number }>();
  let moved = false;
  let axis: Axis | undefined;
  let lastTap = { at: 0, x: 0, y: 0 };
  let rest = 0;
  const stop = new AbortController();
  const on = <K extends keyof HTMLElementEventMap>(name: K, act: (e: HTMLElementEventMap[K]) => void) =>
    element.addEventListener(name, act, { signal: stop.signal, passive: false });

  const place = (e: MouseEvent) => {
    const box = element.getBoundingClientRect();
    return { x: e.clientX - box.left, y: e.clientY - box.top };
  };

  on('pointerdown', (e) => {
    if (e.button !== 0) return;
    element.setPointerCapture(e.pointerId);
    down.set(e.pointerId, place(e));
    if (down.size > 1) return;
    moved = false;
    const { x, y } = place(e);
    axis = hands.axisAt(x, y);
  });

  on('pointermove', (e) => {
    const was = down.get(e.pointerId);
    const is = place(e);
    if (!was) {
      element.dataset.axis = hands.axisAt(is.x, is.y) ?? '';
      return;
    }
    const other = [...down].find(([id]) => id !== e.pointerId)?.[1];
    if (other) {
      const before = Math.hypot(was.x - other.x, was.y - other.y);
      const after = Math.hypot(is.x - other.x, is.y - other.y);
      if (before > 5 && after > 5) hands.zoom((is.x + other.x) / 2, (is.y + other.y) / 2, before / after);
      hands.shift((is.x - was.x) / 2, (is.y - was.y) / 2);
      moved = true;
    } else if (
      !moved &&
      e.pointerType === 'touch' &&
      hands.scrolls() &&
      isUpright(is.x - was.x, is.y - was.y)
    ) {
      return;
    } else if (moved || Math.hypot(is.x - was.x, is.y - was.y) > 3) {
      if (axis) hands.stretch(axis, was[axis], is[axis]);
      else hands.pan(is.x - was.x, is.y - was.y, e.shiftKey);
      moved = true;
    } else {
      return;
    }
    down.set(e.pointerId, is);
  });

  const up = (e: PointerEvent) => {
    if (!down.delete(e.pointerId) || down.size > 0) return;
    if (moved) {
      hands.settled();
      return;
    }
    const { x, y } = place(e);
    const near = Math.hypot(x - lastTap.x, y - lastTap.y) < sameTap;
    if (near && e.timeStamp - lastTap.at < doubleTap) {
      hands.fit();
      lastTap.at = 0;
    } else {
      lastTap = { at: e.timeStamp, x, y };
      if (e.type === 'pointerup') hands.tap(x, y);
    }
  };
  on('pointerup', up);
  on('pointercancel', up);

  on('wheel', (e) => {
    e.preventDefault();
    const { x, y } = place(e);
    hands.zoom(x, y, Math.exp(Math.max(-200, Math.min(200, e.deltaY)) * wheelPace));
    window.clearTimeout(rest);
    rest = window.setTimeout(() => hands.settled(), wheelRest);
  });

  return () => {
    window.clearTimeout(rest);
    stop.abort();
  };
}

/** Which way a key moves what it moves, in steps right and up. */
export const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
