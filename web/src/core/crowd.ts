// Many markers one after another, as the points of a long table or the dots of traces: those that stand still from one frame to the next are
// drawn once and put under what moves as one picture, since a canvas without a graphics processor takes most of its time over them.
type Pen = OffscreenCanvasRenderingContext2D;
type DrawMarker = (pen: Pen, at: number) => void;

/** So many markers that stand still are a crowd, and so many numbers are a marker's. */
const crowdFrom = 40;
export const markerLength = 6;

/** Markers of one colour: what they were in the frame before, and how many of these numbers are on the picture. */
interface Group {
  before: Float32Array;
  painted: number;
}

export class Crowd {
  private groups: Group[] = [];
  private palette: unknown;
  private still?: OffscreenCanvas;

  /** Draws the markers that lie in a part of the records, each by its place. */
  put(pen: Pen, r: Float32Array, from: number, to: number, palette: unknown, marker: DrawMarker) {
    const places = groupsOf(r, from, to);
    const alike = places.map(([begin, end], k) => alikeIn(this.groups[k]?.before, r, begin, end));
    if (!this.holds(pen, palette, alike)) for (const group of this.groups) group.painted = 0;
    this.palette = palette;
    this.groups = places.map(([begin, end], k) => {
      let { before, painted } = this.groups[k] ?? { before: new Float32Array(), painted: 0 };
      if (alike[k]! - painted >= crowdFrom * markerLength) {
        this.paint(pen, begin + painted, begin + alike[k]!, marker);
        painted = alike[k]!;
      }
      if (alike[k]! < Math.max(end - begin, before.length)) before = r.slice(begin, end);
      return { before, painted };
    });
    this.show(pen);
    places.forEach(([begin, end], k) => {
      for (let at = begin + this.groups[k]!.painted; at < end; at += markerLength) marker(pen, at);
    });
  }

  /** Whether what is on the picture can stay there. */
  private holds({ canvas }: Pen, palette: unknown, alike: number[]): boolean {
    const { still } = this;
    const fits = !still || (still.width === canvas.width && still.height === canvas.height);
    const stands = this.groups.every(({ painted }, k) => painted <= (alike[k] ?? 0));
    if (fits && stands && palette === this.palette) return true;
    // To set a canvas' size empties it.
    if (still) Object.assign(still, { width: canvas.width, height: canvas.height });
    return false;
  }

  private paint(pen: Pen, begin: number, end: number, marker: DrawMarker) {
    this.still ??= new OffscreenCanvas(pen.canvas.width, pen.canvas.height);
    const on = this.still.getContext('2d')!;
    on.setTransform(pen.getTransform());
    on.lineJoin = pen.lineJoin;
    for (let at = begin; at < end; at += markerLength) marker(on, at);
  }

  private show(pen: Pen) {
    if (!this.still || this.groups.every((group) => !group.painted)) return;
    const turn = pen.getTransform();
    pen.resetTransform();
    pen.drawImage(this.still, 0, 0);
    pen.setTransform(turn);
  }
}

/** The ends of markers of one colour that follow each other. */
function groupsOf(r: Float32Array, from: number, to: number): [number, number][] {
  const list: [number, number][] = [];
  for (let at = from; at < to; at += markerLength) {
    const last = list.at(-1);
    if (last && r[at + 1] === r[last[0] + 1]) last[1] = at + markerLength;
    else list.push([at, at + markerLength]);
  }
  return list;
}

/** How many numbers of markers are those of the frame before, in whole markers. */
function alikeIn(before: Float32Array | undefined, r: Float32Array, begin: number, end: number): number {
  const length = Math.min(before?.length ?? 0, end - begin);
  let k = 0;
  while (k < length && before![k] === r[begin + k]) k++;
  return k - (k % markerLength);
}

/** Where the markers end that begin at a place. */
export function endOfMarkers(r: Float32Array, from: number, op: number): number {
  let at = from;
  while (at < r.length && r[at] === op) at += markerLength;
  return at;
}
