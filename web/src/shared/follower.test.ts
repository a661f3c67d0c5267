import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { follower } from './follower';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const after = (time: number) => new Promise<void>((resolve) => setTimeout(resolve, time));

/** When the second round begins of a task that takes so long and is called again meanwhile. */
async function secondRound(takes: number, rest: number): Promise<number> {
  const begun: number[] = [];
  const follow = follower(() => {
    begun.push(performance.now());
    return after(takes);
  }, rest);
  void follow();
  void follow();
  await vi.advanceTimersByTimeAsync(10_000);
  expect(begun).toHaveLength(2);
  return begun[1]! - begun[0]!;
}

it('rests four times as long as it took, within its least and most', async () => {
  expect(await secondRound(10, 100)).toBeCloseTo(110);
  expect(await secondRound(60, 100)).toBeCloseTo(300);
  expect(await secondRound(1000, 100)).toBeCloseTo(1600);
});

it('goes on at once where no rest is wanted', async () => {
  expect(await secondRound(60, 0)).toBeCloseTo(60);
});
