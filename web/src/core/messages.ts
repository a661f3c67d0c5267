// What the page and a core's worker say to each other.
import type { Answer, Ask, FrameTexts } from '../generated/types';

/** The core's exports that move something; all take numbers (cmd/corewasm). */
export type Move =
  | ['dragDial', number, number]
  | ['setDial', number, number]
  | ['stepDial', number, number]
  | ['sweepDial', number, number, number]
  | ['dragPoint', number, number, number, number, number, number]
  | ['nudgePoint', number, number, number, number, number, number]
  | ['zoomWindow', number, number, number, number, number, number]
  | ['panWindow', number, number, number, number, number]
  | ['typeSize', number, number]
  | ['fitWindow', number, number, number]
  | ['startingValues']
  | ['clearTraces'];

export interface PanelSize {
  width: number;
  height: number;
}

/** A label's size as the page measured it: panel, id, width, height. */
export type LabelSize = [number, string, number, number];

export interface FrameRequest {
  moves: Move[];
  panels: PanelSize[];
  labels: LabelSize[];
}

export interface PanelPicture {
  /** The numbers of door.Frame, in the first length places. */
  numbers: Float32Array<ArrayBuffer>;
  length: number;
  /** Words, when they changed. */
  texts?: FrameTexts;
}

export interface FrameAnswer {
  pictures: (PanelPicture | null)[];
  /** Dials whose sweep has come to its end. */
  ended: number[];
  /** Milliseconds in the core. */
  core: number;
}

export type ToWorker =
  | { kind: 'start'; module: WebAssembly.Module }
  | { kind: 'ask'; number: number; ask: Ask }
  | { kind: 'frame'; number: number; frame: FrameRequest; buffers: ArrayBuffer[] };

export type FromWorker =
  | { kind: 'ready' }
  | { kind: 'answer'; number: number; answer: Answer }
  | { kind: 'frame'; number: number; frame: FrameAnswer }
  | { kind: 'failed'; number: number; words: string };
