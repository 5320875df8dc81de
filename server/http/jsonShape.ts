import { Problem } from '../problem.ts';

/** Objects and lists within each other: a document has eight, a motif's recipe within commands some more. */
const DEEPEST = 64;
/** Values in all: a design of 20,000 placements has some 300,000. */
const MOST_VALUES = 2_000_000;

const [QUOTE, BACKSLASH, COMMA, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [
  0x22, 0x5c, 0x2c, 0x5b, 0x5d, 0x7b, 0x7d,
];

/** Counts the depth and the values of JSON in its bytes as they come, before anything is made of them. */
export class JsonShape {
  #depth = 0;
  #values = 1;
  #isText = false;
  #isEscaped = false;

  /** Values so far: objects, lists and all that is in them. */
  get values(): number {
    return this.#values;
  }

  /** Takes the next bytes. @throws Problem (400) where there is more of it than anybody means to send */
  add(bytes: Uint8Array): void {
    for (const byte of bytes) {
      if (this.#isText) {
        if (this.#isEscaped) this.#isEscaped = false;
        else if (byte === BACKSLASH) this.#isEscaped = true;
        else if (byte === QUOTE) this.#isText = false;
      } else if (byte === QUOTE) this.#isText = true;
      else if (byte === COMMA) this.#count();
      else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
        this.#depth += 1;
        this.#count();
        if (this.#depth > DEEPEST) throw tooMuch(`${DEEPEST} objects and lists within each other`);
      } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) this.#depth -= 1;
    }
  }

  #count(): void {
    this.#values += 1;
    if (this.#values > MOST_VALUES) throw tooMuch(`${MOST_VALUES.toLocaleString('en')} values`);
  }
}

function tooMuch(what: string): Problem {
  return new Problem(400, 'Not understood', `What was sent has more than ${what}. Nothing was changed.`);
}
