import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeTags } from './mergeTags.ts';

const tags = fc.uniqueArray(fc.constantFrom('sea', 'hero', 'blue', 'shell', 'old'));

describe('tags that two windows change', () => {
  it('have what both have added, and lack what either has taken away', () => {
    fc.assert(
      fc.property(tags, tags, tags, (were, mine, theirs) => {
        const merged = mergeTags(theirs, were, mine);
        expect(new Set(merged).size).toBe(merged.length);
        for (const tag of new Set([...were, ...mine, ...theirs])) {
          const isRemoved = were.includes(tag) && (!mine.includes(tag) || !theirs.includes(tag));
          const isThere = (mine.includes(tag) || theirs.includes(tag)) && !isRemoved;
          expect(merged.includes(tag), tag).toBe(isThere);
        }
      }),
    );
  });

  it('are as they are sent where nothing is said of what they were', () => {
    expect(mergeTags(['sea'], undefined, ['hero'])).toEqual(['hero']);
  });
});
