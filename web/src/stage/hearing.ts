// A curve that is heard: a tone runs from left to right over the panel, higher where the curve is higher, silent where there is none;
// ticks mark zeros, turning points and holes.
import type { Finding, HeardView } from '../generated/types';

/** Seconds for one way over the panel. */
export const seconds = 4;
/** The tone at the lower edge, in hertz; the upper edge is two octaves above. */
const lowest = 220;
const octaves = 2;
/** Ticks: zeros deep, turning points high, holes between. */
const ticks: Partial<Record<Finding, number>> = { zeros: 880, holes: 1320 };
const otherTick = 1760;

let context: AudioContext | undefined;
let playing: OscillatorNode | undefined;

/** Plays a curve; one that was playing ends. */
export async function play(heard: HeardView) {
  stop();
  context ??= new AudioContext();
  await context.resume();
  const begin = context.currentTime + 0.05;
  const tone = new OscillatorNode(context, { type: 'triangle' });
  const loud = new GainNode(context, { gain: 0 });
  const side = new StereoPannerNode(context, { pan: -1 });
  tone.connect(loud).connect(side).connect(context.destination);
  side.pan.setValueAtTime(-1, begin);
  side.pan.linearRampToValueAtTime(1, begin + seconds);
  const step = seconds / heard.heights.length;
  heard.heights.forEach((height, k) => {
    const at = begin + k * step;
    // A short way to the next loudness, so that silence begins without a click.
    loud.gain.setTargetAtTime(height === null ? 0 : 0.25, at, 0.008);
    if (height !== null) tone.frequency.setValueAtTime(lowest * 2 ** (octaves * height), at);
  });
  loud.gain.setTargetAtTime(0, begin + seconds, 0.02);
  tone.start(begin);
  tone.stop(begin + seconds + 0.2);
  for (const { at, finding } of heard.marks)
    tick(begin + at * seconds, ticks[finding] ?? otherTick, 2 * at - 1);
  playing = tone;
  tone.onended = () => {
    if (playing === tone) playing = undefined;
    // At rest nothing sounds and nothing runs.
    if (!playing) void context?.suspend();
  };
}

export function stop() {
  playing?.stop();
  playing = undefined;
}

function tick(at: number, hertz: number, pan: number) {
  const tone = new OscillatorNode(context!, { type: 'square', frequency: hertz });
  const loud = new GainNode(context!, { gain: 0 });
  const side = new StereoPannerNode(context!, { pan });
  tone.connect(loud).connect(side).connect(context!.destination);
  loud.gain.setValueAtTime(0.2, at);
  loud.gain.exponentialRampToValueAtTime(0.001, at + 0.07);
  tone.start(at);
  tone.stop(at + 0.08);
}
