import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutText } from './cutText.ts';

describe('a text that is cut', () => {
  it.each([
    ['Kelp', 9, 'Kelp'],
    ['Kelp forest', 4, 'Kelp'],
    ['Whelk 🐚🐚', 7, 'Whelk '],
    ['Whelk 🐚🐚', 8, 'Whelk 🐚'],
    // A family of four is one letter of eleven code units.
    ['a👨‍👩‍👧‍👦b', 5, 'a'],
    ['e\u0301\u0301b', 2, ''],
    ['a\ud83d', 9, 'a\ufffd'],
    ['a\0b', 9, 'ab'],
  ])('%j to %d is %j', (text, most, cut) => expect(cutText(text, most)).toBe(cut));

  it('is well-formed, no longer than it may be, and a beginning of what it was', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.nat(40), (text, most) => {
        const cut = cutText(text, most);
        expect(cut.length).toBeLessThanOrEqual(most);
        expect(cut).not.toMatch(/\0|\p{Surrogate}/u);
        expect(text.replaceAll('\0', '').startsWith(cut)).toBe(true);
      }),
    );
  });
});
