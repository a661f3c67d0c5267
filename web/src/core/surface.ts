// A panel's two canvases in the worker: the ground, which changes with the window only, and what moves.
import { Colour, type FrameTexts } from '../generated/types';
import type { Crowd } from './crowd';
import { clear, draw, type Place } from './draw';
import type { Look, PanelSize } from './messages';

export class Surface {
  private look?: Look;
  private groundRecords = new Float32Array();
  private drawnGround = '';
  /** What moves as it was drawn last, its words, and the handles that came of it. */
  private drawn = new Float32Array();
  private drawnWords: string[] = [];
  private handles: Place[] = [];
  private isPainted = true;
  private readonly speck = new ImageData(1, 1);
  private readonly crowds: Crowd[] = [];
  private readonly ground: OffscreenCanvasRenderingContext2D;
  private readonly live: OffscreenCanvasRenderingContext2D;

  constructor(ground: OffscreenCanvas, live: OffscreenCanvas) {
    // Opaque, so that the page is put together faster.
    this.ground = ground.getContext('2d', { alpha: false })!;
    this.live = live.getContext('2d')!;
  }

  setLook(look: Look) {
    this.look = look;
    this.drawnGround = '';
  }

  /** Draws a frame; ground is set when it changed. The records may be views that do not outlive the call. */
  show(
    ground: Float32Array | undefined,
    live: Float32Array,
    { words }: Pick<FrameTexts, 'words'>,
    size: PanelSize,
  ): Place[] {
    if (!this.look) return [];
    const { palette, ratio } = this.look;
    if (ground) this.groundRecords = ground.slice();
    const shape = `${size.width} ${size.height} ${ratio}`;
    const isAnew = this.drawnGround !== shape;
    if (ground || isAnew) {
      clear(this.ground, size, ratio, palette.colours[Colour.Sheet]);
      draw(this.ground, this.groundRecords, [], palette);
      this.drawnGround = shape;
    }
    // A panel that a move does not change is not painted again.
    if (!isAnew && areAlike(words, this.drawnWords) && areAlike(live, this.drawn)) return this.handles;
    this.drawn = live.slice();
    this.drawnWords = words;
    clear(this.live, size, ratio);
    this.handles = draw(this.live, live, words, palette, this.crowds);
    this.isPainted = false;
    return this.handles;
  }

  /** Has the browser paint now what moves: it does before pixels are put beside it, here a clear one in the corner. */
  paint() {
    if (!this.isPainted) this.live.putImageData(this.speck, 0, 0);
    this.isPainted = true;
  }
}

function areAlike<T>(a: ArrayLike<T>, b: ArrayLike<T>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
