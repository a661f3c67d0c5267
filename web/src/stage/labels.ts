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
  /** Tells sizes after the page has laid out by itself: asking for them would make it lay out once more a frame. */
  private readonly observer: ResizeObserver;

  constructor(
    private readonly layer: HTMLElement,
    measured: (id: string, width: number, height: number) => void,
  ) {
    this.observer = new ResizeObserver((entries) => {
      for (const { target, borderBoxSize } of entries) {
        const { inlineSize, blockSize } = borderBoxSize[0]!;
        if (target.isConnected) measured((target as HTMLElement).dataset.id!, inlineSize, blockSize);
      }
    });
  }

  /** Shows the labels at their places; sizes that are new are told. */
  show(labels: Label[], places: Place[]) {
    const gone = new Set(this.shown.keys());
    for (const { index, x, y } of places) {
      const label = labels[index];
      if (!label) continue;
      gone.delete(label.id);
      let known = this.shown.get(label.id);
      if (!known) {
        const element = document.createElement('div');
        element.dataset.id = label.id;
        this.layer.append(element);
        this.observer.observe(element);
        known = { element, formula: new LiveFormula(false) };
        this.shown.set(label.id, known);
      }
      known.formula.show(known.element, label.latex);
      const style = `label ${styleOf(label.colour)}`;
      if (known.element.className !== style) known.element.className = style;
      known.element.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
    }
    for (const id of gone) {
      const { element } = this.shown.get(id)!;
      this.observer.unobserve(element);
      element.remove();
      this.shown.delete(id);
    }
  }

  close() {
    this.observer.disconnect();
  }
}
