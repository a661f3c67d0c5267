import { describe, expect, it } from 'vitest';
import { Painting, againAfter, roomy } from './painting';

/** A painting that takes so many milliseconds, and how many of the next pictures it paints. */
function lasting(milliseconds: number) {
  let now = 0;
  let painted = 0;
  const painting = new Painting(
    () => {
      painted++;
      now += milliseconds;
    },
    () => now,
  );
  const paintedOf = (pictures: number, before: number) => {
    painted = 0;
    for (let i = 0; i < pictures; i++) if (painting.drawn(before)) painting.paint();
    return painted;
  };
  return { paintedOf };
}

describe('Painting', () => {
  it('is done by a worker that has time left', () => {
    expect(lasting(roomy / 2 - 1).paintedOf(500, roomy / 2)).toBe(500);
  });

  it('is left to the browser by one that has none, but for a try now and then', () => {
    const { paintedOf } = lasting(roomy);
    paintedOf(100, roomy / 2);
    expect(paintedOf(10 * (againAfter + 1), roomy / 2)).toBe(10);
  });

  it('is left to the browser where the mathematics takes all the time', () => {
    const { paintedOf } = lasting(1);
    paintedOf(100, 2 * roomy);
    expect(paintedOf(againAfter, 2 * roomy)).toBeLessThanOrEqual(1);
  });

  it('is taken up again when there is time', () => {
    const { paintedOf } = lasting(1);
    paintedOf(100, 2 * roomy);
    paintedOf(100, 2);
    expect(paintedOf(100, 2)).toBe(100);
  });

  it('is done once for a picture', () => {
    let again = 0;
    const other = new Painting(() => again++);
    other.paint();
    expect(again).toBe(0);
    other.drawn(1);
    other.paint();
    other.paint();
    expect(again).toBe(1);
  });
});
