// The loop of frames: moves that come while enough requests are on their way are merged, the latest wins.
import { CoreLost, type Core } from './client';
import { isContinual, type FrameAnswer, type Move, type PanelSize, type TextSize } from './messages';

/** Milliseconds of one frame, for whoever measures. */
export interface FrameTiming {
  core: number;
  /** The way to the worker and waiting there. */
  transfer: number;
  draw: number;
  /** From the input's handler to the last drawing command. */
  total: number;
  /** The page's part: handles, dials, readouts. */
  page: number;
  /** From the input's handler until the page has put everything of the picture in its place. */
  all: number;
}

/** Moves that replace an earlier one of the same dial or point that has not been sent. */
const replaces: Partial<Record<Move[0], number>> = {
  dragDial: 2,
  setDial: 2,
  sweepDial: 2,
  goStep: 2,
  goScene: 1,
  dragPoint: 3,
  putWindow: 2,
  look: 2,
};

/** What a move moves, when a later one replaces it. */
function keyOf(move: Move): string | undefined {
  const parts = replaces[move[0]];
  return parts ? move.slice(0, parts).join() : undefined;
}

/** Milliseconds after the last move of a hand until what moved is taken to rest. */
const restsAfter = 160;

/** Two, so that the worker draws one picture while the page still lays out the words of the one before. */
const mostFlying = 2;

export class Frames {
  private moves: Move[] = [];
  private texts: TextSize[] = [];
  private flying = 0;
  private wanted = false;
  private since = 0;
  private waiting: (() => void)[] = [];
  private idle: (() => void)[] = [];
  /** Told of every frame that was drawn. */
  observe: (timing: FrameTiming) => void = () => undefined;
  /** Told of every request that follows a hand. */
  onHand: () => void = () => undefined;
  panels: PanelSize[] = [];
  private marked = false;
  private resting = 0;

  constructor(
    private readonly core: Core,
    private readonly place: (answer: FrameAnswer) => Promise<void>,
  ) {}

  /** Asks for a frame after moves that belong together; resolves when one that holds them is drawn. */
  request(...moves: Move[]): Promise<void> {
    for (const move of moves) this.merge(move);
    if (!this.wanted) this.since = performance.now();
    this.wanted = true;
    const drawn = new Promise<void>((resolve) => this.waiting.push(resolve));
    if (this.flying < mostFlying) void this.send();
    return drawn;
  }

  /** Whether a hand moves something: its last move was a moment ago. */
  get followHand(): boolean {
    return this.resting !== 0;
  }

  /** Whether a picture is on its way after the one that is being placed. */
  get followed(): boolean {
    return this.wanted || this.flying > 1;
  }

  /** Resolves when every frame that was asked for is drawn; asks for none. */
  async settled(): Promise<void> {
    while (this.wanted || this.flying > 0) {
      await new Promise<void>((resolve) => this.idle.push(resolve));
    }
  }

  /** Tells the size of a text on a panel; it counts from the next frame on, which is asked for where no hand asks for one. */
  measured(size: TextSize) {
    if (this.texts.push(size) > 1) return;
    requestAnimationFrame(() => {
      if (this.texts.length > 0) void this.request();
    });
  }

  private merge(move: Move) {
    const key = keyOf(move);
    const earlier = key ? this.moves.findIndex((m) => keyOf(m) === key) : -1;
    if (earlier >= 0) this.moves[earlier] = move;
    else this.moves.push(move);
  }

  private async send() {
    const { since, moves, texts, waiting } = this;
    const moving = moves.some(isContinual);
    if (moving) {
      this.onHand();
      // Only the hand itself goes on: what the page asks for meanwhile does not keep it from resting.
      window.clearTimeout(this.resting);
      this.resting = window.setTimeout(() => {
        this.resting = 0;
        void this.request(['settleLabels']);
      }, restsAfter);
    }
    this.wanted = false;
    this.moves = [];
    this.texts = [];
    this.waiting = [];
    this.flying++;
    const sent = performance.now();
    try {
      const answer = await this.core.frame({ moves, moving, texts, panels: this.panels });
      const came = performance.now();
      await this.place(answer);
      const placed = performance.now();
      const last = answer.drawn - performance.timeOrigin;
      const { core, draw } = answer;
      const [page, all] = [placed - came, placed - since];
      this.observe({ core, draw, transfer: last - sent - core - draw, total: last - since, page, all });
      if (!this.marked && answer.pictures.some((p) => p)) {
        this.marked = true;
        performance.mark('first picture', { startTime: placed });
      }
    } catch (e) {
      // The last picture stands; the next move is a new try.
      if (!(e instanceof CoreLost)) console.error('a frame failed', e);
    }
    this.flying--;
    for (const done of waiting) done();
    if (this.wanted && this.flying < mostFlying) void this.send();
    if (this.flying > 0) return;
    const idle = this.idle;
    this.idle = [];
    for (const done of idle) done();
  }
}
