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
  /** Whether the element holds what is spoken. */
  private speaks = false;
  private speaking = 0;

  constructor(private readonly spoken = true) {}

  /** Shows LaTeX in an element that belongs to this formula alone. */
  show(element: HTMLElement, latex: string) {
    if (latex === this.shown) return;
    const isFirst = this.shown === '';
    this.shown = latex;
    window.clearTimeout(this.speaking);
    this.write(element, latex, this.spoken && isFirst);
    // What is spoken follows when the hand rests: nobody hears sixty values a second, and it has a layout of its own.
    if (this.spoken && !isFirst) {
      this.speaking = window.setTimeout(() => this.write(element, latex, true), spokenAfter);
    }
  }

  /** Writes the numbers into their places, after typesetting where the formula has another form than before. */
  private write(element: HTMLElement, latex: string, aloud: boolean) {
    const values = latex.match(numbers) ?? [];
    let i = 0;
    const template = latex.replace(numbers, () => String(firstMark + i++));
    if (template !== this.template || (aloud && !this.speaks))
      this.build(element, latex, template, values.length, aloud);
    for (const { node, pattern, seen } of this.places) {
      if (!seen && !aloud) continue;
      const text = pattern.replace(mark, (m) => values[Number(m) - firstMark] ?? m);
      if (node.data !== text) node.data = text;
    }
  }

  private build(element: HTMLElement, latex: string, template: string, count: number, aloud: boolean) {
    element.innerHTML = typeset(template, aloud);
    this.template = template;
    this.speaks = aloud;
    this.places = placesIn(element);
    if (holdsAll(this.places, count)) return;
    // A number was torn apart by the typesetting: the formula is shown as it is.
    element.innerHTML = typeset(latex, aloud);
    this.template = '';
    this.places = [];
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
