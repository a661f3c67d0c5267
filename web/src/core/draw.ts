// Draws the core's records (core/stage/picture) on a canvas: no mathematics, only pen strokes.
import { Align, Colour, Op, Pattern, Shape } from '../generated/types';
import { Crowd, endOfMarkers } from './crowd';
import { formulaFamily } from './fonts';

/** The theme's colours by the core's colour numbers, and the type of the numbers on the axes. */
export interface Palette {
  colours: Record<number, string>;
  font: string;
}

type Pen = OffscreenCanvasRenderingContext2D;

const dashes: Record<number, number[]> = {
  [Pattern.Whole]: [],
  [Pattern.Dashed]: [9, 6],
  [Pattern.Dotted]: [2, 5],
};
/** The width of a line in pixels up to which its dashes are as they are. */
const usualWidth = 4;
const aligns: Record<number, CanvasTextAlign> = {
  [Align.Left]: 'left',
  [Align.Centre]: 'center',
  [Align.Right]: 'right',
};

/** A place that the page puts a handle at, by the index of what it moves. */
export interface Place {
  index: number;
  x: number;
  y: number;
}

/** Makes a canvas fit its panel and clears it, or fills it with a colour. */
export function clear(
  pen: Pen,
  { width, height }: { width: number; height: number },
  ratio: number,
  colour?: string,
) {
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
  if (pen.canvas.width !== w || pen.canvas.height !== h) {
    pen.canvas.width = w;
    pen.canvas.height = h;
  }
  pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  if (colour) {
    pen.fillStyle = colour;
    pen.fillRect(0, 0, width, height);
  } else {
    pen.clearRect(0, 0, width, height);
    // A canvas on which nothing is drawn after it was cleared may keep its last picture on the screen; this cannot be seen.
    pen.fillStyle = '#00000001';
    pen.fillRect(0, 0, 1, 1);
  }
}

/**
 * Draws a list of records, with the texts of the ground or the words of formulas; the places of handles come back. Crowds of markers are
 * kept for the next frame.
 */
export function draw(
  pen: Pen,
  r: Float32Array,
  texts: string[],
  palette: Palette,
  crowds: Crowd[] = [],
): Place[] {
  const handles: Place[] = [];
  let crowd = 0;
  // Plain joins and ends: a line's points lie so close that others would not be seen, and they raster fastest.
  pen.lineJoin = 'bevel';
  pen.lineCap = 'butt';
  for (let i = 0; i < r.length;) {
    switch (r[i]) {
      case Op.Line:
        i += line(pen, r, i, palette);
        break;
      case Op.Area:
        i += area(pen, r, i, palette);
        break;
      case Op.Marker: {
        const end = endOfMarkers(r, i, Op.Marker);
        (crowds[crowd++] ??= new Crowd()).put(pen, r, i, end, palette, (on, at) =>
          marker(on, r, at, palette),
        );
        i = end;
        break;
      }
      case Op.Text:
        text(pen, r, i, texts, palette);
        i += 6;
        break;
      case Op.Handle:
        handles.push({ index: r[i + 1]!, x: r[i + 2]!, y: r[i + 3]! });
        i += 4;
        break;
      case Op.Glyphs:
        glyphs(pen, r, i, texts, palette);
        i += 8;
        break;
      case Op.Bar:
        pen.fillStyle = palette.colours[r[i + 1]!]!;
        pen.fillRect(r[i + 2]!, r[i + 3]!, r[i + 4]!, r[i + 5]!);
        i += 6;
        break;
      default:
        throw new Error(`no record begins with ${r[i]}`);
    }
  }
  return handles;
}

function line(pen: Pen, r: Float32Array, i: number, palette: Palette): number {
  const [width, pattern, opacity, count] = [r[i + 2]!, r[i + 3]!, r[i + 4]!, r[i + 5]!];
  pen.strokeStyle = palette.colours[r[i + 1]!]!;
  // Wide lines have longer dashes, so that they are not taken for dots.
  const longer = Math.max(1, width / usualWidth);
  pen.setLineDash((dashes[pattern] ?? []).map((length) => length * longer));
  pen.globalAlpha = opacity;
  const path = new Path2D();
  trace(path, r, i + 6, count);
  // The strands lie over each other, so only opaque lines can be bundles.
  const bundles = count >= curveFrom && pattern === Pattern.Whole && opacity === 1;
  if (!bundles || !bundled(pen, path, width)) {
    pen.lineWidth = width;
    pen.stroke(path);
  }
  pen.globalAlpha = 1;
  return 6 + 2 * count;
}

/** Points from which a line is a curve: straight pieces keep their ends and their sharp sides. */
const curveFrom = 12;

/** The width in device pixels up to which a line is drawn as a bundle, and how far apart its strands may lie. */
const widestBundle = 4;
const strandsApart = 1.35;
/** The radius of a bundle to that of its strands' middles, with which it covers what the stroke covers (measured, widths of 1.5 to 4). */
const rounder = 1.04;
/** The radius from which strands leave a gap in the middle. */
const hollowFrom = 0.7;

/**
 * Draws a line as a bundle of lines one device pixel wide, side by side around its middle: it looks the same, and takes a
 * half to a third of the time of one wide stroke without a graphics processor.
 */
function bundled(pen: Pen, path: Path2D, width: number): boolean {
  const ratio = pen.getTransform().a;
  const radius = (rounder * (width * ratio - 1)) / 2;
  if (radius <= 0 || width * ratio > widestBundle) return false;
  const strands = Math.max(3, Math.ceil((2 * Math.PI * radius) / strandsApart));
  pen.lineWidth = 1 / ratio;
  for (let k = 0; k < strands; k++) {
    const turn = (2 * Math.PI * k) / strands;
    pen.setTransform(ratio, 0, 0, ratio, radius * Math.cos(turn), radius * Math.sin(turn));
    pen.stroke(path);
  }
  pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  if (radius > hollowFrom) pen.stroke(path);
  return true;
}

function area(pen: Pen, r: Float32Array, i: number, palette: Palette): number {
  const count = r[i + 5]!;
  const opacity = r[i + 4]!;
  pen.fillStyle = palette.colours[r[i + 1]!]!;
  // A surface is hundreds of opaque areas: what each would set and make anew takes longer than its corners.
  if (opacity !== 1) pen.globalAlpha = opacity;
  pen.beginPath();
  trace(pen, r, i + 6, count);
  pen.fill();
  if (opacity !== 1) pen.globalAlpha = 1;
  return 6 + 2 * count;
}

function trace(path: Path2D | Pen, r: Float32Array, from: number, count: number) {
  path.moveTo(r[from]!, r[from + 1]!);
  for (let at = from + 2, k = 1; k < count; k++, at += 2) path.lineTo(r[at]!, r[at + 1]!);
}

/** The outlines of the shapes that are no circle, in radii; export/svg draws the same. */
const corners: Record<number, [number, number][]> = {
  [Shape.Square]: [
    [-0.9, -0.9],
    [0.9, -0.9],
    [0.9, 0.9],
    [-0.9, 0.9],
  ],
  [Shape.Diamond]: [
    [0, -1.25],
    [1.25, 0],
    [0, 1.25],
    [-1.25, 0],
  ],
  [Shape.Triangle]: [
    [0, -1.2],
    [1.1, 0.8],
    [-1.1, 0.8],
  ],
  [Shape.Cross]: [
    [-1, -0.5],
    [-0.5, -1],
    [0, -0.5],
    [0.5, -1],
    [1, -0.5],
    [0.5, 0],
    [1, 0.5],
    [0.5, 1],
    [0, 0.5],
    [-0.5, 1],
    [-1, 0.5],
    [-0.5, 0],
  ],
};

function marker(pen: Pen, r: Float32Array, i: number, palette: Palette) {
  const [colour, shape, x, y, radius] = [r[i + 1]!, r[i + 2]!, r[i + 3]!, r[i + 4]!, r[i + 5]!];
  pen.setLineDash([]);
  pen.beginPath();
  const outline = corners[shape];
  if (outline) {
    for (const [dx, dy] of outline) pen.lineTo(x + dx * radius, y + dy * radius);
    pen.closePath();
  } else {
    pen.arc(x, y, radius, 0, 2 * Math.PI);
  }
  const sheet = palette.colours[Colour.Sheet]!;
  pen.fillStyle = shape === Shape.Ring ? sheet : palette.colours[colour]!;
  pen.fill();
  if (radius < haloFrom) return;
  pen.strokeStyle = shape === Shape.Ring ? palette.colours[colour]! : sheet;
  pen.lineWidth = shape === Shape.Ring ? 2.5 : 1.5;
  pen.stroke();
  if (shape !== Shape.Grip) return;
  // What can be dragged wears a second ring.
  pen.beginPath();
  pen.arc(x, y, radius + 3.5, 0, 2 * Math.PI);
  pen.strokeStyle = palette.colours[colour]!;
  pen.lineWidth = 1.5;
  pen.stroke();
}

// Smaller markers are dots of a trace, without a halo.
const haloFrom = 4;

function text(pen: Pen, r: Float32Array, i: number, texts: string[], palette: Palette) {
  const words = texts[r[i + 2]!] ?? '';
  pen.font = palette.font;
  pen.textAlign = aligns[r[i + 5]!] ?? 'left';
  pen.textBaseline = 'middle';
  pen.setLineDash([]);
  pen.strokeStyle = palette.colours[Colour.Sheet]!;
  pen.lineWidth = 4;
  pen.strokeText(words, r[i + 3]!, r[i + 4]!);
  pen.fillStyle = palette.colours[r[i + 1]!]!;
  pen.fillText(words, r[i + 3]!, r[i + 4]!);
}

/** A run of a formula, as the core has set it: it measured the face without kerning. */
function glyphs(pen: Pen, r: Float32Array, i: number, words: string[], palette: Palette) {
  const [face, size, x, y, halo] = [r[i + 2]!, r[i + 3]!, r[i + 4]!, r[i + 5]!, r[i + 7]!];
  const text = words[r[i + 6]!] ?? '';
  pen.font = `${size}px ${formulaFamily(face)}, serif`;
  pen.fontKerning = 'none';
  pen.textAlign = 'left';
  pen.textBaseline = 'alphabetic';
  if (halo) {
    pen.setLineDash([]);
    pen.lineJoin = 'round';
    pen.lineWidth = 4;
    pen.strokeStyle = palette.colours[Colour.Sheet]!;
    pen.strokeText(text, x, y);
    pen.lineJoin = 'bevel';
  }
  pen.fillStyle = palette.colours[r[i + 1]!]!;
  pen.fillText(text, x, y);
}
