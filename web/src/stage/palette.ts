// The theme's colours as a canvas needs them, by the core's colour numbers.
import type { Palette } from '../core/draw';
import { canvasFamilies } from '../core/fonts';
import { Colour } from '../generated/types';

const hues = 8;
const rampColours = 9;
const tones = 12;
const usualSize = 14;

/** Reads the palette from the style of an element, with the size of the numbers as a multiple of the usual. */
export function paletteOf(element: Element): { palette: Palette; typeSize: number } {
  const style = getComputedStyle(element);
  const read = (name: string) => style.getPropertyValue(name).trim();
  const colours: Record<number, string> = {
    [Colour.Ink]: read('--ink'),
    [Colour.Grid]: read('--grid'),
    [Colour.FineGrid]: read('--grid-fine'),
    [Colour.Axis]: read('--axis'),
    [Colour.Grey]: read('--parent'),
    [Colour.Sheet]: read('--sheet'),
  };
  for (let k = 0; k < rampColours; k++) colours[Colour.Ramp + k] = read(`--ramp-${k}`);
  for (let k = 0; k < hues * tones; k++) colours[Colour.Tint + k] = read(`--tint-${k}`);
  for (let hue = 0; hue < hues; hue++) colours[hue] = read(`--hue-${hue}`);
  const size = Number.parseFloat(read('--tick-size'));
  return { palette: { colours, font: `${size}px ${canvasFamilies}` }, typeSize: size / usualSize };
}
