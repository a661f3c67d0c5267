// The theme's colours as the canvas needs them, by the core's colour numbers.
import { Colour } from '../generated/types';

const hues = 8;
const usualSize = 14;

export interface Palette {
  colour(number: number): string;
  font: string;
  /** The size of the numbers on the axes, as a multiple of the usual. */
  typeSize: number;
}

/** Reads the palette from the style of an element. */
export function paletteOf(element: Element): Palette {
  const style = getComputedStyle(element);
  const read = (name: string) => style.getPropertyValue(name).trim();
  const colours = new Map<number, string>([
    [Colour.Ink, read('--ink')],
    [Colour.Grid, read('--grid')],
    [Colour.FineGrid, read('--grid-fine')],
    [Colour.Axis, read('--axis')],
    [Colour.Grey, read('--parent')],
    [Colour.Sheet, read('--sheet')],
  ]);
  for (let hue = 0; hue < hues; hue++) colours.set(hue, read(`--hue-${hue}`));
  const size = Number.parseFloat(read('--tick-size'));
  return {
    colour: (number) => colours.get(number) ?? read('--ink'),
    font: `${size}px ${read('--face')}`,
    typeSize: size / usualSize,
  };
}
