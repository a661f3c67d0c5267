// A worker with the core in it. Questions go as JSON; frames are numbers that are read from the core's memory in place
// and drawn here, on canvases that the page has handed over.
import './wasm_exec.js';
import type { Answer, Ask, FrameTexts } from '../generated/types';
import { loadFonts } from './fonts';
import type {
  FrameAnswer,
  FrameRequest,
  FromWorker,
  Move,
  PanelPicture,
  PanelSize,
  ToWorker,
} from './messages';
import { Painting } from './painting';
import { Rehearsal } from './rehearsal';
import { Surface } from './surface';

type Exports = {
  mem: WebAssembly.Memory;
  moving(on: number): void;
  panelSize(panel: number, width: number, height: number): void;
  frame(panel: number, width: number, height: number): number;
  floats(): number;
  texts(): number;
  textsLength(): number;
  rehearse(): void;
  endRehearsal(): void;
} & Record<Move[0], (...numbers: number[]) => number>;

declare const Go: new () => {
  importObject: WebAssembly.Imports;
  run(instance: WebAssembly.Instance): Promise<void>;
};
declare const parvixAsk: (question: string) => string;
declare const parvixTextSize: (panel: number, id: string, width: number, height: number) => void;
declare const parvixRest: () => void;

let core: Exports;
let frames = 0;
const decoder = new TextDecoder();

/** The garbage collector runs only between exports; let it every so many frames. */
const framesPerRest = 32;

/** Numbers before the dials in a frame (door.FrameHeader). */
const frameHeader = 4;

const surfaces: (Surface | undefined)[] = [];
const painting = new Painting(() => surfaces.forEach((surface) => surface?.paint()));
/** The last words of each panel; they are sent when they change. */
const words: (FrameTexts | undefined)[] = [];

const rehearsal = new Rehearsal(
  () => core.rehearse(),
  () => parvixRest(),
  () => core.endRehearsal(),
);

const post = (message: FromWorker) => self.postMessage(message);

async function start(module: WebAssembly.Module) {
  try {
    const go = new Go();
    const [instance] = await Promise.all([WebAssembly.instantiate(module, go.importObject), loadFonts()]);
    core = instance.exports as unknown as Exports;
    Object.assign(self, { parvixReady: () => post({ kind: 'ready' }) });
    await go.run(instance);
    post({ kind: 'broken', words: 'The mathematics has ended.' });
  } catch (e) {
    post({ kind: 'broken', words: String(e) });
  }
}

function ask(question: Ask): Answer {
  return JSON.parse(parvixAsk(JSON.stringify(question)));
}

function frame(request: FrameRequest): FrameAnswer {
  let clock = performance.now();
  const lap = () => {
    const begun = clock;
    clock = performance.now();
    return clock - begun;
  };
  const answer: FrameAnswer = { pictures: [], values: [], dials: [], ended: [], core: 0, draw: 0, drawn: 0 };
  core.moving(request.moving ? 1 : 0);
  request.panels.forEach((size, panel) => core.panelSize(panel, size.width, size.height));
  for (const [name, ...numbers] of request.moves) {
    if (core[name](...(numbers as number[])) === 1 && name === 'sweepDial') answer.ended.push(numbers[0]!);
  }
  for (const size of request.texts) parvixTextSize(...size);
  request.panels.forEach((size, panel) => {
    const length = core.frame(panel, size.width, size.height);
    answer.core += lap();
    // A view made anew for each frame: an old one does not survive the memory's growth.
    const numbers = new Float32Array(core.mem.buffer, core.floats(), length);
    answer.pictures.push(length > 0 ? show(panel, numbers, size, answer) : null);
    answer.draw += lap();
  });
  answer.drawn = performance.timeOrigin + clock;
  if (++frames % framesPerRest === 0) parvixRest();
  return answer;
}

/** Draws a panel's frame and gives what the page itself has to place. */
function show(panel: number, numbers: Float32Array, size: PanelSize, answer: FrameAnswer): PanelPicture {
  const [dials, changed, ground, live] = numbers as unknown as [number, number, number, number];
  if (panel === 0) {
    for (let i = 0; i < dials; i++) {
      answer.values.push(numbers[frameHeader + 2 * i]!);
      answer.dials.push(numbers[frameHeader + 2 * i + 1]!);
    }
  }
  const texts = readTexts();
  if (texts) words[panel] = texts;
  const from = frameHeader + 2 * dials;
  const handles = surfaces[panel]?.show(
    changed ? numbers.subarray(from, from + ground) : undefined,
    numbers.subarray(from + ground, from + ground + live),
    words[panel] ?? { words: [] },
    size,
  );
  return { handles: handles ?? [], texts };
}

function readTexts(): FrameTexts | undefined {
  const length = core.textsLength();
  if (length === 0) return undefined;
  return JSON.parse(decoder.decode(new Uint8Array(core.mem.buffer, core.texts(), length)));
}

/** Requests for frames that have come since the last one was drawn, with their numbers. */
let asked: { number: number; frame: FrameRequest }[] = [];
/** Comes after every message that has come before it: what the worker was late for is drawn in one, and painted if nothing waits. */
const turn = new MessageChannel();
turn.port1.onmessage = () => (asked.length > 0 ? drawAsked() : painting.paint());

/** Draws one frame for all requests that are waiting, so that a worker that was held up is not late from then on. */
function drawAsked() {
  const requests = asked;
  asked = [];
  if (requests.length === 0) return;
  const numbers = requests.map(({ number }) => number);
  try {
    const drawn = frame(merged(requests.map((r) => r.frame)));
    const last = numbers.pop()!;
    for (const number of numbers) post({ kind: 'frame', number, frame: { ...drawn, pictures: [] } });
    post({ kind: 'frame', number: last, frame: drawn });
    if (painting.drawn(drawn.core + drawn.draw)) turn.port2.postMessage(0);
  } catch (e) {
    for (const number of numbers) post({ kind: 'failed', number, words: String(e) });
  }
}

function merged(requests: FrameRequest[]): FrameRequest {
  return {
    ...requests.at(-1)!,
    moves: requests.flatMap((r) => r.moves),
    texts: requests.flatMap((r) => r.texts),
  };
}

self.onmessage = (event: MessageEvent<ToWorker>) => {
  const message = event.data;
  if (message.kind === 'frame') {
    if (asked.push(message) === 1) turn.port2.postMessage(0);
    return;
  }
  // Whatever else is asked sees what was moved before it.
  drawAsked();
  try {
    handle(message);
  } catch (e) {
    if (!('number' in message)) throw e;
    post({ kind: 'failed', number: message.number, words: String(e) });
  }
};

function handle(message: Exclude<ToWorker, { kind: 'frame' }>) {
  switch (message.kind) {
    case 'start':
      void start(message.module);
      break;
    case 'ask':
      post({ kind: 'answer', number: message.number, answer: ask(message.ask) });
      break;
    case 'surface':
      surfaces[message.panel] = new Surface(message.ground, message.live);
      break;
    case 'look':
      surfaces[message.panel]?.setLook(message.look);
      break;
    case 'rehearse':
      if (message.on) rehearsal.begin();
      else rehearsal.end();
  }
}
