import { Problem } from '../problem.ts';
import { JsonShape } from './jsonShape.ts';

/**
 * Reads JSON that was sent. Its depth and its values are counted in the bytes, before anything is made of them.
 *
 * @throws Problem (400) where it is not readable, or holds what nobody means to send
 */
export function readJson(bytes: Buffer): unknown {
  new JsonShape().add(bytes);
  let value: unknown;
  try {
    value = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new Problem(400, 'Not understood', 'What was sent is not readable JSON. Nothing was changed.');
  }
  checkLetters(value);
  return value;
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
          'What was sent holds an invalid character (a NUL or half a character). Nothing was changed; type it again.',
        );
    } else if (Array.isArray(next)) for (const item of next as unknown[]) left.push(item);
    else if (typeof next === 'object' && next !== null)
      for (const [name, item] of Object.entries(next)) left.push(name, item);
  }
}
