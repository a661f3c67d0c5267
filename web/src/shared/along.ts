// What follows a hand on the page moves along ways of keyframes, by animations that stand still and are set to their time: the browser
// then moves that one layer. A transform in the style makes it put all layers of the page together anew, 3 ms of a frame instead of 1.
import type { Directive } from 'vue';

/** A way with its two ends, and the share of it at which the element stands. */
export interface Way {
  ends: PropertyIndexedKeyframes;
  at: number;
}

/** Milliseconds of an animation that nobody lets run: any would do. */
const whole = 1000;

const animations = new WeakMap<Element, Animation[]>();

function put(element: Element, ways: Way[], before?: Way[] | null) {
  const own = animations.get(element) ?? [];
  animations.set(element, own);
  ways.forEach(({ ends, at }, k) => {
    if (!own[k]) {
      own[k] = element.animate(ends, { duration: whole, fill: 'both' });
      own[k].pause();
    } else if (before?.[k]?.ends !== ends) {
      (own[k].effect as KeyframeEffect).setKeyframes(ends);
    }
    // Where the place is no number it stays where it stood.
    if (Number.isFinite(at)) own[k].currentTime = at * whole;
  });
}

/** v-along="ways": one way for each property that moves. */
export const vAlong: Directive<Element, Way[]> = {
  mounted: (element, { value }) => put(element, value),
  updated: (element, { value, oldValue }) => put(element, value, oldValue),
};

/** Pixels from the left and upper edge within which something is placed. */
const reach = 10_000;
const across: PropertyIndexedKeyframes = { translate: [`${-reach}px 0`, `${reach}px 0`] };
const down: PropertyIndexedKeyframes = {
  transform: [`translateY(${-reach}px)`, `translateY(${reach}px)`],
};

/** The ways of what stands at a place in pixels. */
export const placed = (x: number, y: number): Way[] => [
  { ends: across, at: 0.5 + x / (2 * reach) },
  { ends: down, at: 0.5 + y / (2 * reach) },
];
