// A formula in place whose numbers change from frame to frame. It is typeset once with marks in the numbers' places;
// after that only the text of the numbers is written anew, which costs neither typesetting nor new elements.
import { typeset } from './typeset';

const numbers = /(?<!hue-)\d+(?:\.\d+)?/g;

/** Marks are numbers that no formula and no style holds. */
const firstMark = 90817001;
const mark = /90817\d{3}/g;

/** Milliseconds without a change after which the spoken form of a formula follows. */
const spokenAfter = 200;

interface Place {
  node: Text;
  /** The text with marks. */
  pattern: string;
  /** Whether it is seen, not only spoken. */
  seen: boolean;
}

export class LiveFormula {
  private template = '';
  private shown = '';
  private places: Place[] = [];
  private speaking = 0;

  constructor(private readonly spoken = true) {}

  /** Shows LaTeX in an element that belongs to this formula alone. */
  show(element: HTMLElement, latex: string) {
    if (latex === this.shown) return;
    const values = latex.match(numbers) ?? [];
    let i = 0;
    const template = latex.replace(numbers, () => String(firstMark + i++));
    const isNew = template !== this.template;
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
    this.shown = latex;
    const write = (places: Place[]) => {
      for (const { node, pattern } of places) {
        const text = pattern.replace(mark, (m) => values[Number(m) - firstMark] ?? m);
        if (node.data !== text) node.data = text;
      }
    };
    write(this.places.filter((p) => p.seen || isNew));
    // What is spoken follows when the hand rests: nobody hears sixty values a second, and it has a layout of its own.
    window.clearTimeout(this.speaking);
    const later = this.places.filter((p) => !p.seen && !isNew);
    if (later.length) this.speaking = window.setTimeout(write, spokenAfter, later);
  }
}

/** Tells whether every number's mark was found whole in what is seen, not only in what is spoken. */
function holdsAll(places: Place[], count: number): boolean {
  return (
    new Set(places.filter((p) => p.seen).flatMap(({ pattern }) => pattern.match(mark) ?? [])).size === count
  );
}

function placesIn(element: HTMLElement): Place[] {
  const places: Place[] = [];
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  while (walker.nextNode()) {
    const node = walker.currentNode as Text;
    if (node.data.search(mark) < 0) continue;
    places.push({ node, pattern: node.data, seen: !!node.parentElement?.closest('.katex-html') });
  }
  return places;
}
