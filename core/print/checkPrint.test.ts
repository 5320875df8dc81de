import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SAILCLOTH } from '../testing/printFixtures.ts';
import { checkPrint, type PrintFacts } from './checkPrint.ts';
import type { PrintRules } from './printRules.ts';

const RULES: PrintRules = {
  name: 'The mill',
  formats: ['png', 'tiff'],
  leastDpi: 150,
  mostDpi: 600,
  mostBytes: 10 * 1024 * 1024,
  mostOrder: 100,
  cloths: [SAILCLOTH],
};
const GOOD: PrintFacts = { format: 'png', dpi: 300, tile: { width: 200, height: 150 }, metres: 3 };

const texts = (facts: Partial<PrintFacts>, grade?: string): string[] =>
  checkPrint({ ...GOOD, ...facts }, RULES, SAILCLOTH)
    .filter((finding) => grade === undefined || finding.grade === grade)
    .map(({ text }) => text);

describe('checking an order', () => {
  it('finds nothing to refuse in a good one, and says how it fits the width', () => {
    expect(texts({})).toEqual(['7 repeats fit exactly across 1400 mm, so lengths can be joined at the selvedges.']);
    expect(texts({ tile: { width: 300, height: 150 } })).toEqual([
      '4 repeats fit across 1400 mm, and 200 mm are left over: joined lengths have to overlap or be trimmed.',
    ]);
  });

  it.each<[string, Partial<PrintFacts>, string]>([
    ['a format', { format: 'webp' }, 'The mill takes PNG and TIFF, not WebP. Choose one of those.'],
    ['too few dots', { dpi: 96 }, '96 dpi is too coarse: The mill prints at 150 to 600 dpi. Choose 150.'],
    [
      'too many dots',
      { dpi: 1200 },
      '1200 dpi is finer than it can print: The mill prints at 150 to 600 dpi. Choose 600.',
    ],
    [
      'a large file',
      { bytes: 12 * 1024 * 1024 },
      'The file is 12 MB; The mill takes at most 10 MB. Choose a lower density or JPEG.',
    ],
    [
      'a small repeat',
      { tile: { width: 100, height: 12.5 } },
      'The repeat is 12.5 mm along its shorter side; Sailcloth needs at least 20 mm. Choose a finer cloth, or make the repeat larger.',
    ],
    [
      'too short a length',
      { metres: 0.5 },
      'Sailcloth is sold from 2 metres. Order at least that much, or choose another cloth.',
    ],
    ['too long a length', { metres: 150 }, 'The mill prints at most 100 metres at once. Order it in several parts.'],
  ])('refuses %s in plain words', (_what, facts, text) => {
    expect(texts(facts, 'refusal')).toEqual([text]);
  });

  it('warns of a repeat that is wider than the cloth, and notes that bare cloth shows', () => {
    expect(texts({ tile: { width: 1600, height: 300 }, isBare: true })).toEqual([
      'The repeat is 1600 mm wide and Sailcloth only 1400 mm: its right side will be missing.',
      'There is no ground, so Sailcloth shows in its own colour between the motifs.',
    ]);
  });

  it('says lengths in the unit that one works in', () => {
    expect(checkPrint(GOOD, RULES, SAILCLOTH, 'cm')[0]?.text).toContain('across 140 cm');
  });

  it('tells everything that is wrong at once, the worst first', () => {
    const grades = checkPrint(
      { ...GOOD, dpi: 10, metres: 0.1, tile: { width: 2000, height: 5 } },
      RULES,
      SAILCLOTH,
    ).map(({ grade }) => grade);
    expect(grades).toEqual(['refusal', 'refusal', 'refusal', 'warning']);
  });

  it('takes the density of whole pixels for the one that was asked for, and refuses by nothing but the rules', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 149.6, max: 600.4, noNaN: true }),
        fc.double({ min: 20, max: 1400, noNaN: true }),
        fc.double({ min: 2, max: 100, noNaN: true }),
        (dpi, side, metres) => {
          expect(texts({ dpi, tile: { width: side, height: side }, metres }, 'refusal')).toEqual([]);
        },
      ),
    );
  });
});
