// Many markers one after another, as the points of a long table: those that stand still from one frame to the next are drawn once and
// put under what moves as one picture, since a canvas without a graphics processor takes most of its time over them.
type Pen = OffscreenCanvasRenderingContext2D;

/** So many markers are a crowd, and so many numbers are a marker's. */
const crowdFrom = 300;
export const markerLength = 6;

export class Crowd {
  private before = new Float32Array();
  private palette: unknown;
  private still?: OffscreenCanvas;
  /** How many of the numbers before are on the picture. */
  private painted = 0;

  /** Draws the markers that lie in a part of the records, each by its place. */
  put(
    pen: Pen,
    r: Float32Array,
    from: number,
    to: number,
    palette: unknown,
    marker: (pen: Pen, at: number) => void,
  ) {
    if (to - from < crowdFrom * markerLength) {
      for (let at = from; at < to; at += markerLength) marker(pen, at);
      return;
    }
    const { width, height } = pen.canvas;
    if (palette !== this.palette || this.still?.width !== width || this.still.height !== height)
      this.painted = 0;
    this.palette = palette;
    const alike = this.alike(r, from, to);
    if (alike < this.painted || !this.painted) this.painted = this.paint(pen, alike, from, marker);
    if (this.painted) {
      const turn = pen.getTransform();
      pen.resetTransform();
      pen.drawImage(this.still!, 0, 0);
      pen.setTransform(turn);
    }
    for (let at = from + this.painted; at < to; at += markerLength) marker(pen, at);
    if (alike < to - from || alike < this.before.length) this.before = r.slice(from, to);
  }

  /** How many numbers of the markers are those of the frame before, in whole markers. */
  private alike(r: Float32Array, from: number, to: number): number {
    const length = Math.min(this.before.length, to - from);
    let k = 0;
    while (k < length && this.before[k] === r[from + k]) k++;
    return k - (k % markerLength);
  }

  /** Paints the markers that have stood still, where they are a crowd. */
  private paint(pen: Pen, alike: number, from: number, marker: (pen: Pen, at: number) => void): number {
    if (alike < crowdFrom * markerLength) return 0;
    const { width, height } = pen.canvas;
    this.still ??= new OffscreenCanvas(width, height);
    Object.assign(this.still, { width, height }); // empties it too
    const on = this.still.getContext('2d')!;
    on.setTransform(pen.getTransform());
    on.lineJoin = pen.lineJoin;
    for (let at = from; at < from + alike; at += markerLength) marker(on, at);
    return alike;
  }
}

/** Where the markers end that begin at a place. */
export function endOfMarkers(r: Float32Array, from: number, op: number): number {
  let at = from;
  while (at < r.length && r[at] === op) at += markerLength;
  return at;
}
