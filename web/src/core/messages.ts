// What the page and a core's worker say to each other.
import type { Answer, Ask, FrameTexts } from '../generated/types';
import type { Palette, Place } from './draw';

/** The core's exports that move something; all take numbers (cmd/corewasm). */
export type Move =
  | ['dragDial', number, number]
  | ['setDial', number, number]
  | ['stepDial', number, number]
  | ['stopDial', number, 1 | -1]
  | ['sweepDial', number, number, number]
  | ['dragPoint', number, number, number, number, number, number]
  | ['nudgePoint', number, number, number, number, number, number]
  | ['zoomWindow', number, number, number, number, number, number]
  | ['stretchWindow', number, number, number, 0 | 1, number, number]
  | ['putWindow', number, number, number, number, number, 0 | 1]
  | ['orbit', number, number, number]
  | ['look', number, number, number, number, number, number]
  | ['rememberCurves', 0 | 1]
  | ['panWindow', number, number, number, number, number]
  | ['typeSize', number, number]
  | ['beginScene', number]
  | ['goScene', number]
  | ['goStep', number, number]
  | ['startingValues']
  | ['settleLabels']
  | ['turn', number]
  | ['turnLabel', number]
  | ['unturn']
  | ['inkFrom', number, number, number, number, number, number]
  | ['inkTo', number, number, number, number, number]
  | ['inkUp', number, number, number]
  | ['inkBack']
  | ['inkWipe']
  | ['inkForget']
  | ['clearTraces'];

/** Moves that come one after the other while a hand moves something, or something moves by itself. */
const continual = new Set<Move[0]>([
  ...(['dragDial', 'sweepDial', 'dragPoint', 'zoomWindow', 'panWindow'] as const),
  ...(['stretchWindow', 'putWindow', 'orbit', 'look', 'goScene'] as const),
]);
export const isContinual = ([name]: Move) => continual.has(name);

export interface PanelSize {
  width: number;
  height: number;
}

/** How a panel is drawn: device pixels in one CSS pixel, and the theme's colours. */
export interface Look {
  ratio: number;
  palette: Palette;
}

/** The size of a text on a panel as the page measured it: panel, id, width, height. */
export type TextSize = [number, string, number, number];

export interface FrameRequest {
  moves: Move[];
  /** Whether a hand moves something, or something moves by itself. */
  moving: boolean;
  panels: PanelSize[];
  texts: TextSize[];
}

/** What the page itself puts on a panel that the worker has drawn. */
export interface PanelPicture {
  handles: Place[];
  /** Words, when they changed. */
  texts?: FrameTexts;
}

export interface FrameAnswer {
  pictures: (PanelPicture | null)[];
  /** The value of each dial, to the seven digits that a picture has, and the share of its bar at which it stands. */
  values: number[];
  dials: number[];
  /** Dials whose sweep has come to its end. */
  ended: number[];
  /** Milliseconds in the core and in drawing, and when the last drawing command was given (since the epoch). */
  core: number;
  draw: number;
  drawn: number;
}

export type ToWorker =
  | { kind: 'start'; module: WebAssembly.Module }
  | { kind: 'ask'; number: number; ask: Ask }
  | { kind: 'surface'; panel: number; ground: OffscreenCanvas; live: OffscreenCanvas }
  | { kind: 'look'; panel: number; look: Look }
  | { kind: 'rehearse'; on: boolean }
  | { kind: 'frame'; number: number; frame: FrameRequest };

export type FromWorker =
  | { kind: 'ready' }
  /** The core has ended; it answers nothing more. */
  | { kind: 'broken'; words: string }
  | { kind: 'answer'; number: number; answer: Answer }
  | { kind: 'frame'; number: number; frame: FrameAnswer }
  | { kind: 'failed'; number: number; words: string };
