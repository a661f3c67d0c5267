// The loop of frames: one request in flight, moves that came meanwhile are merged, the latest wins.
import type { Core } from './client';
import type { FrameAnswer, LabelSize, Move, PanelSize } from './messages';

/** Milliseconds of one frame, from the input's handler to the last drawing command. */
export interface FrameTiming {
  core: number;
  transfer: number;
  draw: number;
  total: number;
}

/** Moves that replace an earlier one of the same dial or point that has not been sent. */
const replaces: Partial<Record<Move[0], number>> = { dragDial: 2, setDial: 2, sweepDial: 2, dragPoint: 3 };

/** What a move moves, when a later one replaces it. */
function keyOf(move: Move): string | undefined {
  const parts = replaces[move[0]];
  return parts ? move.slice(0, parts).join() : undefined;
}

export class Frames {
  private moves: Move[] = [];
  private labels: LabelSize[] = [];
  private flying = false;
  private wanted = false;
  private since = 0;
  private waiting: (() => void)[] = [];
  /** The last frames' timings, for measurements. */
  readonly timings: FrameTiming[] = [];
  panels: PanelSize[] = [];

  constructor(
    private readonly core: Core,
    private readonly draw: (answer: FrameAnswer) => Promise<void>,
  ) {}

  /** Asks for a frame after a move; resolves when one that holds it is drawn. */
  request(move?: Move): Promise<void> {
    if (move) this.merge(move);
    if (!this.wanted) this.since = performance.now();
    this.wanted = true;
    const drawn = new Promise<void>((resolve) => this.waiting.push(resolve));
    if (!this.flying) void this.send();
    return drawn;
  }

  /** Tells a label's size; it counts from the next frame on. */
  measured(size: LabelSize) {
    this.labels.push(size);
  }

  private merge(move: Move) {
    const key = keyOf(move);
    const earlier = key ? this.moves.findIndex((m) => keyOf(m) === key) : -1;
    if (earlier >= 0) this.moves[earlier] = move;
    else this.moves.push(move);
  }

  private async send() {
    this.flying = true;
    while (this.wanted) {
      const { since, moves, labels, waiting } = this;
      this.wanted = false;
      this.moves = [];
      this.labels = [];
      this.waiting = [];
      const sent = performance.now();
      let answer: FrameAnswer;
      let came: number;
      try {
        answer = await this.core.frame({ moves, labels, panels: this.panels });
        came = performance.now();
        await this.draw(answer);
      } catch (e) {
        // The last picture stands; the next move is a new try.
        console.error('a frame failed', e);
        for (const done of waiting) done();
        continue;
      }
      const drawn = performance.now();
      this.note({
        core: answer.core,
        transfer: came - sent - answer.core,
        draw: drawn - came,
        total: drawn - since,
      });
      for (const picture of answer.pictures) if (picture) this.core.giveBack(picture.numbers.buffer);
      for (const done of waiting) done();
    }
    this.flying = false;
  }

  private note(timing: FrameTiming) {
    this.timings.push(timing);
    if (this.timings.length > 2000) this.timings.splice(0, 1000);
  }
}
