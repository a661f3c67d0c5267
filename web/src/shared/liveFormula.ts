// A formula in place whose numbers change from frame to frame. It is typeset once with marks in the numbers' places;
// after that only the text of the numbers is written anew, which costs neither typesetting nor new elements.
import { typeset } from './typeset';

const numbers = /(?<!hue-)\d+(?:\.\d+)?/g;

/** Marks are numbers that no formula and no style holds. */
const firstMark = 90817001;
const mark = /90817\d{3}/g;

interface Place {
  node: Text;
  /** The text with marks. */
  pattern: string;
}

export class LiveFormula {
  private template = '';
  private shown = '';
  private places: Place[] = [];

  constructor(private readonly spoken = true) {}

  /** Shows LaTeX in an element that belongs to this formula alone; true when its size may have changed. */
  show(element: HTMLElement, latex: string): boolean {
    if (latex === this.shown) return false;
    const values = latex.match(numbers) ?? [];
    let i = 0;
    const template = latex.replace(numbers, () => String(firstMark + i++));
    const isNew = template !== this.template;
    const resized = isNew || latex.length !== this.shown.length;
    if (isNew) {
      element.innerHTML = typeset(template, this.spoken);
      this.template = template;
      this.places = placesIn(element);
      if (!holdsAll(this.places, values.length)) {
        // A number was torn apart by the typesetting: the formula is shown as it is.
        element.innerHTML = typeset(latex, this.spoken);
        this.template = '';
        this.places = [];
      }
    }
    for (const { node, pattern } of this.places) {
      const text = pattern.replace(mark, (m) => values[Number(m) - firstMark] ?? m);
      if (node.data !== text) node.data = text;
    }
    this.shown = latex;
    return resized;
  }
}

/** Tells whether every number's mark was found whole in what is seen, not only in what is spoken. */
function holdsAll(places: Place[], count: number): boolean {
  const seen = places.filter(({ node }) => node.parentElement?.closest('.katex-html'));
  return new Set(seen.flatMap(({ pattern }) => pattern.match(mark) ?? [])).size === count;
}

function placesIn(element: HTMLElement): Place[] {
  const places: Place[] = [];
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  while (walker.nextNode()) {
    const node = walker.currentNode as Text;
    if (node.data.search(mark) >= 0) places.push({ node, pattern: node.data });
  }
  return places;
}
