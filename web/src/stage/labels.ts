// Labels are typeset by the page and placed by the core, which is told their sizes.
import { Colour, type Label } from '../generated/types';
import { LiveFormula } from '../shared/liveFormula';
import type { Place } from '../core/draw';

interface Shown {
  element: HTMLElement;
  formula: LiveFormula;
}

function styleOf(colour: number): string {
  if (colour < 8) return `hue-${colour}`;
  return colour >= Colour.Ramp ? `ramp-${colour - Colour.Ramp}` : 'muted';
}

/** The labels of one panel, in a layer above its canvas. */
export class LabelLayer {
  private readonly shown = new Map<string, Shown>();

  constructor(
    private readonly layer: HTMLElement,
    private readonly measured: (id: string, width: number, height: number) => void,
  ) {}

  /** Shows the labels at their places; sizes that are new are measured and told. */
  show(labels: Label[], places: Place[]) {
    const gone = new Set(this.shown.keys());
    const changed: [string, HTMLElement][] = [];
    for (const { index, x, y } of places) {
      const label = labels[index];
      if (!label) continue;
      gone.delete(label.id);
      let known = this.shown.get(label.id);
      if (!known) {
        const element = document.createElement('div');
        this.layer.append(element);
        known = { element, formula: new LiveFormula(false) };
        this.shown.set(label.id, known);
      }
      if (known.formula.show(known.element, label.latex)) changed.push([label.id, known.element]);
      const style = `label ${styleOf(label.colour)}`;
      if (known.element.className !== style) known.element.className = style;
      known.element.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
    }
    for (const id of gone) {
      this.shown.get(id)!.element.remove();
      this.shown.delete(id);
    }
    // Measured after all changes, so that the page lays out once.
    for (const [id, element] of changed) this.measured(id, element.offsetWidth, element.offsetHeight);
  }

  /** Measures all again: the size of the type has changed. */
  remeasure() {
    for (const [id, { element }] of this.shown) this.measured(id, element.offsetWidth, element.offsetHeight);
  }
}
