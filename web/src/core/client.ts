// The two cores of the page: one for frames, one for everything that may take its time. A core that does not answer is
// ended and started anew; whoever owns the demonstration gives it the last document again.
import type { Answer, Ask } from '../generated/types';
import { fetchModule } from './module';
import type { FrameAnswer, FrameRequest, FromWorker, Look, ToWorker } from './messages';

/** The core was ended before it answered; first tells that this was what it was working on. */
export class CoreLost extends Error {
  constructor(
    words: string,
    readonly first: boolean,
  ) {
    super(words);
  }
}

interface Waiting {
  answered(message: FromWorker): void;
  failed(error: Error): void;
}

/** A machine that slept wakes with all its timers due; the core gets this long to answer after it, in milliseconds. */
const grace = 1000;
/** A core is started within this time, in milliseconds, on the slowest of machines. */
const startPatience = 30_000;
/** So often in a minute a core is started anew; then it is the demonstration, and a hand has to say "try again". */
const mostLosses = 3;
const minute = 60_000;

/** One worker with the core in it. */
export class Core {
  private worker = this.spawn();
  private readonly waiting = new Map<number, Waiting>();
  private number = 0;
  private started: Promise<void> | undefined;
  private begun: { resolve: () => void; reject: (error: Error) => void } | undefined;
  private watch = 0;
  private losses: number[] = [];

  /** Told when the core was lost: again says whether a new one has been started. */
  onLost: (again: boolean) => void = () => undefined;

  /** patience is how many milliseconds without an answer mean that the core is dead or hangs. */
  constructor(
    private readonly module: () => Promise<WebAssembly.Module>,
    private readonly patience: number,
  ) {}

  private spawn(): Worker {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<FromWorker>) => this.take(event.data);
    worker.onerror = (event) => {
      event.preventDefault();
      this.lose(event.message);
    };
    return worker;
  }

  /** Starts the core; a start that failed, as when it could not be fetched, can be tried again. */
  start(): Promise<void> {
    this.started ??= this.load().catch((e: unknown) => {
      this.started = undefined;
      throw e;
    });
    return this.started;
  }

  private async load() {
    const module = await this.module();
    await new Promise<void>((resolve, reject) => {
      this.begun = { resolve, reject };
      this.post({ kind: 'start', module });
      this.watchOver();
    });
  }

  private take(message: FromWorker) {
    if (message.kind === 'ready') {
      this.begun?.resolve();
      this.begun = undefined;
    } else if (message.kind === 'broken') {
      this.lose(message.words);
      return;
    } else {
      const waiting = this.waiting.get(message.number);
      this.waiting.delete(message.number);
      if (message.kind === 'failed') waiting?.failed(new Error(message.words));
      else waiting?.answered(message);
    }
    window.clearTimeout(this.watch);
    this.watch = 0;
    this.watchOver();
  }

  /** Waits for the next sign of life while something is asked; at rest there is no timer. */
  private watchOver() {
    if (this.watch || (!this.waiting.size && !this.begun)) return;
    const patience = this.begun ? startPatience : this.patience;
    this.watch = window.setTimeout(() => {
      this.watch = window.setTimeout(() => this.lose('The mathematics did not answer.'), grace);
    }, patience);
  }

  private lose(words: string) {
    this.worker.terminate();
    window.clearTimeout(this.watch);
    this.watch = 0;
    this.started = undefined;
    const lost = [...this.waiting.values()];
    this.waiting.clear();
    this.begun?.reject(new CoreLost(words, true));
    this.begun = undefined;
    lost.forEach((one, place) => one.failed(new CoreLost(words, place === 0)));
    const now = performance.now();
    this.losses = [...this.losses.filter((at) => now - at < minute), now];
    const again = this.losses.length <= mostLosses;
    this.worker = this.spawn();
    this.onLost(again);
  }

  /** Ends the core; it is not started again. */
  end() {
    this.worker.terminate();
  }

  /** Forgets how often the core was lost: a hand wants another try. */
  forgive() {
    this.losses = [];
  }

  private post(message: ToWorker, transfer: Transferable[] = []) {
    this.worker.postMessage(message, transfer);
  }

  private async send(make: (number: number) => ToWorker): Promise<FromWorker> {
    await this.start();
    const number = ++this.number;
    return new Promise((answered, failed) => {
      this.waiting.set(number, { answered, failed });
      this.post(make(number));
      this.watchOver();
    });
  }

  /** Asks a question; a problem is part of the answer. A core that was lost over another question is asked again. */
  async ask(ask: Ask): Promise<Answer> {
    const once = () => this.send((number) => ({ kind: 'ask', number, ask }));
    const message = await once().catch((e: unknown) => {
      if (e instanceof CoreLost && !e.first && ask.kind !== 'load') return once();
      throw e;
    });
    if (message.kind !== 'answer') throw new Error('The core gave an answer of another kind.');
    return message.answer;
  }

  /** Hands a panel's canvases over; it is drawn there from now on. */
  handOver(panel: number, ground: OffscreenCanvas, live: OffscreenCanvas) {
    this.post({ kind: 'surface', panel, ground, live }, [ground, live]);
  }

  /** Begins to rehearse what is loaded, or ends it since a hand has come. */
  rehearse(on: boolean) {
    void this.start().then(
      () => this.post({ kind: 'rehearse', on }),
      () => undefined,
    );
  }

  look(panel: number, look: Look) {
    this.post({ kind: 'look', panel, look });
  }

  /** Moves, composes and draws. */
  async frame(frame: FrameRequest): Promise<FrameAnswer> {
    const message = await this.send((number) => ({ kind: 'frame', number, frame }));
    if (message.kind !== 'frame') throw new Error('The core gave an answer of another kind.');
    return message.frame;
  }
}

/** A frame is late after this many milliseconds, a question to the core that has time after the other. */
const framesPatience = 8000;
const answersPatience = 20_000;

let compiled: Promise<WebAssembly.Module> | undefined;
/** The module, fetched and compiled once for both cores; a download that failed is tried again at the next call. */
function module(): Promise<WebAssembly.Module> {
  compiled ??= fetchModule().catch((e: unknown) => {
    compiled = undefined;
    throw new Error(`The mathematics could not be loaded. ${String(e)}`);
  });
  return compiled;
}

let both: { frames: Core; answers: Core } | undefined;

/** The page's two cores, sent for at the first call. */
export function cores() {
  if (!both) {
    const frames = new Core(module, framesPatience);
    // The first picture does not wait for a processor that the second core would take.
    const answers = new Core(() => frames.start().then(module), answersPatience);
    both = { frames, answers };
    // A page that is left ends its workers itself: Chromium takes the next page's process down with it when it has to end one
    // that is still starting. A page that comes back out of the browser's memory begins anew.
    window.addEventListener('pagehide', () => [frames, answers].forEach((core) => core.end()));
    window.addEventListener('pageshow', ({ persisted }) => persisted && window.location.reload());
    // A core that was sent for early may fail in silence; whoever asks it something hears of it and tries again.
    answers.start().catch(() => undefined);
  }
  return both;
}
