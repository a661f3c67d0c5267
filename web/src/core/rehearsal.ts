// A rehearsal: the core moves a double of the demonstration that nobody sees (core/ask/door/rehearsal.go), so that the browser has
// translated what a frame needs before the first hand comes. It runs in short slices, between which questions are answered.

/** Milliseconds of a slice, and of all of them: after these most of what a frame runs is translated well. */
export const slice = 8;
export const whole = 1500;
/** As many turns suffice. */
export const mostTurns = 240;
/** Milliseconds for what comes right after a demonstration was opened. */
export const patience = 500;

export class Rehearsal {
  private next: ReturnType<typeof setTimeout> | undefined;
  private spent = 0;
  private turns = 0;

  constructor(
    private readonly turn: () => void,
    /** Is told after each slice. */
    private readonly rest: () => void,
    private readonly over: () => void,
    private readonly clock = () => performance.now(),
  ) {}

  begin() {
    this.end();
    this.spent = this.turns = 0;
    this.next = setTimeout(() => this.slice(), patience);
  }

  end() {
    if (this.next === undefined) return;
    clearTimeout(this.next);
    this.next = undefined;
    this.over();
  }

  private slice() {
    const begun = this.clock();
    while (this.clock() - begun < slice && this.turns++ < mostTurns) this.turn();
    this.rest();
    this.spent += this.clock() - begun;
    if (this.turns >= mostTurns || this.spent >= whole) this.end();
    else this.next = setTimeout(() => this.slice());
  }
}
