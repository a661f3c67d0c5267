// Markers that stand still are drawn once, and what moves is drawn in each frame.
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Crowd, endOfMarkers, markerLength } from './crowd';

const op = 3;
/** So many markers in a row, the one at a place moved, of a colour. */
function row(count: number, moved = -1, colour = 0): Float32Array {
  const numbers: number[] = [];
  for (let k = 0; k < count; k++) numbers.push(op, colour, 0, k === moved ? k + 0.5 : k, 10, 4);
  return new Float32Array(numbers);
}
const both = (a: Float32Array, b: Float32Array) => new Float32Array([...a, ...b]);

/** A pen that counts, on a canvas of a size. */
function pen(width = 900, height = 500) {
  const turn = {};
  return {
    canvas: { width, height },
    drawImage: vi.fn(),
    getTransform: () => turn,
    resetTransform: vi.fn(),
    setTransform: vi.fn(),
    lineJoin: 'bevel',
  };
}

describe('a crowd of markers', () => {
  let onStill: number;
  let direct: number[];
  const board = pen();
  const palette = {};

  beforeEach(() => {
    board.drawImage.mockClear();
    vi.stubGlobal(
      'OffscreenCanvas',
      class {
        on = pen();
        constructor(
          public width: number,
          public height: number,
        ) {}
        getContext = () => this.on;
      },
    );
  });

  function frame(crowd: Crowd, r: Float32Array, on = board, worn: unknown = palette) {
    onStill = 0;
    direct = [];
    crowd.put(on as never, r, 0, r.length, worn, (where, at) => {
      if ((where as unknown) === on) direct.push(at / markerLength);
      else onStill++;
    });
  }

  it('is drawn directly at first, then once as a picture, then not again', () => {
    const crowd = new Crowd();
    frame(crowd, row(400));
    expect([direct.length, onStill, board.drawImage.mock.calls.length]).toEqual([400, 0, 0]);
    frame(crowd, row(400));
    expect([direct.length, onStill, board.drawImage.mock.calls.length]).toEqual([0, 400, 1]);
    frame(crowd, row(400));
    expect([direct.length, onStill, board.drawImage.mock.calls.length]).toEqual([0, 0, 2]);
  });

  it('draws what has moved over what stands still', () => {
    const crowd = new Crowd();
    frame(crowd, row(400, 390));
    frame(crowd, row(400, 395));
    expect(onStill).toBe(390);
    expect(direct).toEqual([390, 391, 392, 393, 394, 395, 396, 397, 398, 399]);
    frame(crowd, row(400, 399));
    expect([direct.length, onStill]).toEqual([10, 0]);
  });

  it('takes in what is added to two traces, without painting the rest again', () => {
    const crowd = new Crowd();
    const traces = (n: number) => both(row(n), row(n, -1, 1));
    frame(crowd, traces(100));
    frame(crowd, traces(101));
    expect([direct, onStill]).toEqual([[100, 201], 200]);
    let painted = 0;
    for (let n = 102; n <= 200; n++) {
      frame(crowd, traces(n));
      painted += onStill;
      expect(direct.length).toBeLessThan(2 * 42);
    }
    expect(painted).toBe(2 * 80);
    frame(crowd, traces(20)); // the traces were cleared
    expect([direct.length, onStill]).toEqual([40, 0]);
  });

  it('is drawn directly while all of it moves', () => {
    const crowd = new Crowd();
    frame(crowd, row(400));
    frame(crowd, row(400));
    frame(crowd, row(400, 0));
    expect([direct.length, onStill]).toEqual([400, 0]);
  });

  it('is painted anew in other colours and in another size', () => {
    const crowd = new Crowd();
    frame(crowd, row(400));
    frame(crowd, row(400));
    frame(crowd, row(400), board, {});
    expect(onStill).toBe(400);
    frame(crowd, row(400), pen(600, 400), palette);
    expect(onStill).toBe(400);
  });

  it('leaves few markers alone', () => {
    const crowd = new Crowd();
    frame(crowd, row(20));
    frame(crowd, row(20));
    expect([direct.length, onStill]).toEqual([20, 0]);
  });

  it('ends where another record begins', () => {
    const r = new Float32Array([...row(3), 1, 2, 3]);
    expect(endOfMarkers(r, 0, op)).toBe(3 * markerLength);
    expect(endOfMarkers(r, 18, op)).toBe(18);
  });
});
