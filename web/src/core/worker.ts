// A worker with the core in it. Questions go as JSON, frames as numbers that are read from the core's memory in place.
import './wasm_exec.js';
import type { Answer, Ask, FrameTexts } from '../generated/types';
import type { FrameAnswer, FrameRequest, FromWorker, Move, PanelPicture, ToWorker } from './messages';

type Exports = {
  mem: WebAssembly.Memory;
  frame(panel: number, width: number, height: number): number;
  floats(): number;
  texts(): number;
  textsLength(): number;
} & Record<Move[0], (...numbers: number[]) => number>;

declare const Go: new () => {
  importObject: WebAssembly.Imports;
  run(instance: WebAssembly.Instance): Promise<void>;
};
declare const parvixAsk: (question: string) => string;
declare const parvixLabelSize: (panel: number, id: string, width: number, height: number) => void;
declare const parvixRest: () => void;

let core: Exports;
let frames = 0;
const decoder = new TextDecoder();

/** The garbage collector runs only between exports; let it every so many frames. */
const framesPerRest = 32;

function post(message: FromWorker, transfer: Transferable[] = []) {
  self.postMessage(message, { transfer });
}

async function start(module: WebAssembly.Module) {
  const go = new Go();
  const instance = await WebAssembly.instantiate(module, go.importObject);
  core = instance.exports as unknown as Exports;
  Object.assign(self, { parvixReady: () => post({ kind: 'ready' }) });
  await go.run(instance);
}

function ask(question: Ask): Answer {
  return JSON.parse(parvixAsk(JSON.stringify(question)));
}

function frame(request: FrameRequest, buffers: ArrayBuffer[]): FrameAnswer {
  const begun = performance.now();
  const ended: number[] = [];
  for (const [name, ...numbers] of request.moves) {
    if (core[name](...(numbers as number[])) === 1 && name === 'sweepDial') ended.push(numbers[0]!);
  }
  for (const size of request.labels) parvixLabelSize(...size);
  const pictures = request.panels.map((size, panel) => {
    const length = core.frame(panel, size.width, size.height);
    return length > 0 ? read(length, buffers.pop()) : null;
  });
  if (++frames % framesPerRest === 0) parvixRest();
  return { pictures, ended, core: performance.now() - begun };
}

/** Copies the frame out of the core's memory; a view of it would not survive the memory's growth. */
function read(length: number, buffer?: ArrayBuffer): PanelPicture {
  const numbers =
    buffer && buffer.byteLength >= 4 * length
      ? new Float32Array(buffer)
      : new Float32Array(Math.ceil(1.5 * length));
  numbers.set(new Float32Array(core.mem.buffer, core.floats(), length));
  const picture: PanelPicture = { numbers, length };
  const textsLength = core.textsLength();
  if (textsLength > 0) {
    const bytes = new Uint8Array(core.mem.buffer, core.texts(), textsLength);
    picture.texts = JSON.parse(decoder.decode(bytes)) as FrameTexts;
  }
  return picture;
}

self.onmessage = (event: MessageEvent<ToWorker>) => {
  const message = event.data;
  try {
    handle(message);
  } catch (e) {
    if (message.kind === 'start') throw e;
    post({ kind: 'failed', number: message.number, words: String(e) });
  }
};

function handle(message: ToWorker) {
  switch (message.kind) {
    case 'start':
      void start(message.module);
      break;
    case 'ask':
      post({ kind: 'answer', number: message.number, answer: ask(message.ask) });
      break;
    case 'frame': {
      const answer = frame(message.frame, message.buffers);
      const transfer = answer.pictures.flatMap((p) => (p ? [p.numbers.buffer] : []));
      post({ kind: 'frame', number: message.number, frame: answer }, transfer);
    }
  }
}
