// When what was drawn becomes pixels. A browser paints a canvas when it next puts the page together, and what a hand asks for at that
// moment waits for it. A worker that has time left paints right after it has drawn. One that has none leaves it to the browser, which
// paints only what it shows.

/** Milliseconds for mathematics, drawing and painting up to which a worker has time left, of the 16.7 between two pictures on a screen. */
export const roomy = 15;
/** After so many pictures that were left to the browser one is painted here, to see how long it takes by now. */
export const againAfter = 60;
/** How much the last picture counts in the means. */
const weight = 1 / 6;

export class Painting {
  /** Mean milliseconds before painting, and of painting. */
  private before = 0;
  private took = 0;
  /** How many pictures were left to the browser since the last that was painted here. */
  private left = 0;
  private due = false;

  constructor(
    private readonly work: () => void,
    private readonly clock = () => performance.now(),
  ) {}

  /** Says whether a picture is to be painted here whose mathematics and drawing took so many milliseconds. */
  drawn(milliseconds: number): boolean {
    this.before += weight * (milliseconds - this.before);
    this.due = this.before + this.took <= roomy || this.left >= againAfter;
    this.left = this.due ? 0 : this.left + 1;
    return this.due;
  }

  /** Paints the last picture, if that is to be done here and was not done yet. */
  paint() {
    if (!this.due) return;
    this.due = false;
    const begun = this.clock();
    this.work();
    this.took += weight * (this.clock() - begun - this.took);
  }
}
