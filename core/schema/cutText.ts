const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/**
 * The text cut to what fits, never within a letter: one that a person sees as one, of however many code points it is made. Halves of
 * letters (lone surrogates) become replacement characters, and NULs go.
 *
 * @param most UTF-16 code units, as lengths are counted everywhere
 */
export function cutText(text: string, most: number): string {
  const formed = text.replaceAll('\0', '').replace(/\p{Surrogate}/gu, '\ufffd');
  if (formed.length <= most) return formed;
  let end = 0;
  // A letter is rarely longer than a few code points; those that go on for ever are cut where they must be.
  for (const { index, segment } of letters.segment(formed.slice(0, most + 64))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return formed.slice(0, end);
}
