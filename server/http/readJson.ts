import { Problem } from '../problem.ts';

/** Objects and lists within each other: a document has eight, a motif's recipe within commands some more. */
const DEEPEST = 64;
/** Objects and lists in all: the largest design has 20,000 placements. */
const MOST_PARTS = 200_000;

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d];

/**
 * Reads JSON that was sent. Its depth and its parts are counted in the bytes, before anything is made of them.
 *
 * @throws Problem (400) where it is not readable, or holds what nobody means to send
 */
export function readJson(bytes: Buffer): unknown {
  checkShape(bytes);
  let value: unknown;
  try {
    value = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new Problem(400, 'Not understood', 'What was sent is not readable JSON. Nothing was changed.');
  }
  checkLetters(value);
  return value;
}

function checkShape(bytes: Buffer): void {
  let depth = 0;
  let parts = 0;
  let isText = false;
  for (let i = 0; i < bytes.length; i += 1) {
    const byte = bytes[i];
    if (isText) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      depth += 1;
      parts += 1;
      if (depth > DEEPEST || parts > MOST_PARTS)
        throw new Problem(
          400,
          'Not understood',
          `What was sent has more than ${depth > DEEPEST ? `${DEEPEST} parts within each other` : `${MOST_PARTS.toLocaleString('en')} parts`}. Nothing was changed.`,
        );
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth -= 1;
  }
}

/** A NUL, or half of a letter that takes two (a lone surrogate): neither can be stored, and nobody types them. */
const BROKEN_LETTER = /\0|\p{Surrogate}/u;

/**
 * Looks at every text within a value.
 *
 * @throws Problem (400) where one holds a letter that is none
 */
export function checkLetters(value: unknown): void {
  const left = [value];
  while (left.length > 0) {
    const next = left.pop();
    if (typeof next === 'string') {
      if (BROKEN_LETTER.test(next))
        throw new Problem(
          400,
          'Not understood',
          'What was sent holds a broken letter (a NUL or half a character). Nothing was changed; type it anew.',
        );
    } else if (Array.isArray(next)) for (const item of next as unknown[]) left.push(item);
    else if (typeof next === 'object' && next !== null)
      for (const [name, item] of Object.entries(next)) left.push(name, item);
  }
}
