import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Core } from './client';
import { Frames } from './frames';
import type { FrameAnswer, FrameRequest } from './messages';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('window', globalThis);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** Frames of a core that answers at once, and what it was asked. */
function framesOf() {
  const asked: FrameRequest[] = [];
  const answer: FrameAnswer = { pictures: [], values: [], dials: [], ended: [], core: 0, draw: 0, drawn: 0 };
  const frame = (request: FrameRequest) => {
    asked.push(request);
    return Promise.resolve(answer);
  };
  return { asked, frames: new Frames({ frame } as unknown as Core, () => Promise.resolve()) };
}

const settles = (asked: FrameRequest[]) =>
  asked.filter(({ moves }) => moves.some(([name]) => name === 'settleLabels')).length;

it('takes a hand to rest a moment after its last move, whatever the page asks for in between', async () => {
  const { asked, frames } = framesOf();
  await frames.request(['dragDial', 0, 0.5]);
  expect(frames.followHand).toBe(true);
  await vi.advanceTimersByTimeAsync(100);
  await frames.request();
  await vi.advanceTimersByTimeAsync(100);
  expect(frames.followHand).toBe(false);
  expect(settles(asked)).toBe(1);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(asked).toHaveLength(3);
});

it('follows a hand as long as it moves', async () => {
  const { asked, frames } = framesOf();
  for (let k = 0; k < 5; k++) {
    await frames.request(['dragDial', 0, k / 5]);
    await vi.advanceTimersByTimeAsync(100);
    expect(frames.followHand).toBe(true);
  }
  expect(settles(asked)).toBe(0);
});
