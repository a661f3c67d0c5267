import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { mostTurns, patience, Rehearsal, slice, whole } from './rehearsal';

/** A rehearsal of which a turn takes so many milliseconds. */
function rehearsing(milliseconds: number) {
  const told = { turns: 0, rests: 0, over: 0, now: 0 };
  const rehearsal = new Rehearsal(
    () => {
      told.turns++;
      told.now += milliseconds;
    },
    () => told.rests++,
    () => told.over++,
    () => told.now,
  );
  return { rehearsal, told };
}

describe('a rehearsal', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('lets what comes first come first, and ends after its turns', () => {
    const { rehearsal, told } = rehearsing(3);
    rehearsal.begin();
    vi.advanceTimersByTime(patience - 1);
    expect(told.turns).toBe(0);
    vi.runAllTimers();
    expect([told.turns, told.over]).toEqual([mostTurns, 1]);
    expect(told.rests).toBe(mostTurns / Math.ceil(slice / 3));
    expect(vi.getTimerCount()).toBe(0);
  });

  it('takes no longer than it may where a turn takes long', () => {
    const { rehearsal, told } = rehearsing(100);
    rehearsal.begin();
    vi.runAllTimers();
    expect([told.turns, told.rests]).toEqual([whole / 100, whole / 100]);
  });

  it('ends when a hand comes', () => {
    const { rehearsal, told } = rehearsing(3);
    rehearsal.begin();
    vi.advanceTimersToNextTimer();
    const before = told.turns;
    rehearsal.end();
    expect([vi.getTimerCount(), told.over]).toEqual([0, 1]);
    rehearsal.end();
    expect([told.turns, told.over]).toEqual([before, 1]);
  });
});
