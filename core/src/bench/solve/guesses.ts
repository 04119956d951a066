/** After so many turns a guess is judged: it must have brought the unrest down to this share. */
const JUDGED = 3;
const HELPED = 0.7;
/** Turns without a guess after the first one that did not help; twice as many after the next. */
const PAUSE = 6;

/**
 * Whether guessing helps. Behind a diode what is stored goes up and down by different rules, and a
 * guess may throw it back again and again: then the turns are left to themselves for a while.
 */
export class Guesses {
  #pause = 0;
  #next = PAUSE;
  #since = 0;
  #before = Infinity;
  #unrest = Infinity;

  made(): void {
    this.#since = 1;
    this.#before = this.#unrest;
  }

  /** After every turn. @param unrest - How far the turn went. */
  allowed(unrest: number): boolean {
    this.#unrest = unrest;
    if (this.#since > 0) {
      this.#since += 1;
      if (this.#since === JUDGED && unrest > this.#before * HELPED) {
        this.#pause = this.#next;
        this.#next *= 2;
      }
    }
    this.#pause -= 1;
    return this.#pause < 0;
  }
}
