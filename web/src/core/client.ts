// The two cores of the page: one for frames, one for everything that may take its time.
import type { Answer, Ask } from '../generated/types';
import wasmAddress from './core.wasm?url';
import type { FrameAnswer, FrameRequest, FromWorker, Look, ToWorker } from './messages';

/** One worker with the core in it. */
export class Core {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<number, (message: FromWorker) => void>();
  private number = 0;
  readonly ready: Promise<void>;

  constructor(module: Promise<WebAssembly.Module>) {
    this.ready = new Promise((resolve, reject) => {
      this.worker.onmessage = (event: MessageEvent<FromWorker>) => {
        const message = event.data;
        if (message.kind === 'ready') {
          resolve();
          return;
        }
        const answered = this.waiting.get(message.number);
        this.waiting.delete(message.number);
        answered?.(message);
      };
      this.worker.onerror = (event) => reject(new Error(event.message));
      module.then((m) => this.post({ kind: 'start', module: m }), reject);
    });
    // A core that was sent for early and not used yet may fail in silence, as when the page is left meanwhile; whoever
    // asks it something hears of it.
    this.ready.catch(() => undefined);
  }

  private post(message: ToWorker, transfer: Transferable[] = []) {
    this.worker.postMessage(message, transfer);
  }

  /** Asks a question; a problem is part of the answer. */
  async ask(ask: Ask): Promise<Answer> {
    await this.ready;
    const number = ++this.number;
    return new Promise((resolve, reject) => {
      this.waiting.set(number, (m) => (m.kind === 'answer' ? resolve(m.answer) : reject(failure(m))));
      this.post({ kind: 'ask', number, ask });
    });
  }

  /** Hands a panel's canvases over; it is drawn there from now on. */
  handOver(panel: number, ground: OffscreenCanvas, live: OffscreenCanvas) {
    this.post({ kind: 'surface', panel, ground, live }, [ground, live]);
  }

  look(panel: number, look: Look) {
    this.post({ kind: 'look', panel, look });
  }

  /** Moves, composes and draws. */
  frame(frame: FrameRequest): Promise<FrameAnswer> {
    const number = ++this.number;
    return new Promise((resolve, reject) => {
      this.waiting.set(number, (m) => (m.kind === 'frame' ? resolve(m.frame) : reject(failure(m))));
      this.post({ kind: 'frame', number, frame });
    });
  }
}

const failure = (message: FromWorker) =>
  new Error(message.kind === 'failed' ? message.words : 'The core gave an answer of another kind.');

let both: { frames: Core; answers: Core } | undefined;

/** The page's two cores, started at the first call; the module is compiled once for both. */
export function cores() {
  if (!both) {
    const module = WebAssembly.compileStreaming(fetch(wasmAddress));
    const frames = new Core(module);
    // The first picture does not wait for a processor that the second core would take.
    const answers = new Core(frames.ready.then(() => module));
    both = { frames, answers };
  }
  return both;
}
