import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../colour/index.ts';
import { colourDifference } from '../colour/index.ts';
import { readShelf } from './readShelf.ts';
import { freeShelfName, liftPalette, shelfSchema, ShelfError } from '../shelf/index.ts';
import { SHELF_FORMAT_NAMES, SHELF_FORMATS } from './shelfFormats.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const letters = fc.constantFrom(...'abcdefgh ABC,;"\'<>&{}.$/*-_0189éß貝🐚');
const names = fc.array(letters, { minLength: 1, maxLength: 20 }).map((list) => `K${list.join('')}`.trim());
const inks = fc.uniqueArray(fc.record({ name: names, colour: hex }), {
  minLength: 1,
  maxLength: 30,
  selector: ({ colour }) => colour,
});

describe('shelves in files', () => {
  it.each(SHELF_FORMAT_NAMES)('read back to the digit: %s', (format) => {
    fc.assert(
      fc.property(inks, names, (list, name) => {
        const { write, extension } = SHELF_FORMATS[format];
        const read = readShelf(`Tide.${extension}`, write(name, list));
        expect(read.inks.map(({ colour }) => colour)).toEqual(list.map(({ colour }) => colour));
        expect(shelfSchema.isValidSync(read, { strict: true })).toBe(true);
        // These two keep any name as it is; the others have rules of their own for names.
        if (format === 'csv' || format === 'svg')
          expect(read.inks.map((ink) => ink.name)).toEqual(list.map((ink) => ink.name));
      }),
    );
  });

  it('are read as others write them', () => {
    const colours = (name: string, text: string): (readonly [string, string])[] =>
      readShelf(name, text).inks.map((ink) => [ink.name, ink.colour] as const);
    expect(colours('a.csv', 'Colour;Name\n#B3402E;Madder\nrgb(1, 2, 3);Night\n')).toEqual([
      ['Madder', '#b3402e'],
      ['Night', '#010203'],
    ]);
    expect(colours('a.csv', '123,#aabbcc\n')).toEqual([['123', '#aabbcc']]);
    const tokens = {
      brand: {
        $type: 'color',
        sea: { $value: '#1f5f7f' },
        deep: { night: { $value: { colorSpace: 'srgb', components: [0, 0.5, 1] } } },
        width: { $type: 'dimension', $value: '2px' },
      },
    };
    expect(colours('a.json', JSON.stringify(tokens))).toEqual([
      ['sea', '#1f5f7f'],
      ['night', '#0080ff'],
    ]);
    expect(colours('a.css', ':root{--sea-glass: oklch(0.7 0.05 180); --gap: 4px}\n.x{--weed:#3f5f2f}')).toMatchObject([
      ['Sea glass', expect.stringMatching(/^#/) as string],
      ['Weed', '#3f5f2f'],
    ]);
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg"><path style="fill:#aabbcc;stroke:none"/><g fill="red"><title>Poppy</title></g></svg>';
    expect(colours('a.SVG', svg)).toEqual([
      ['Pale grey', '#aabbcc'],
      ['Poppy', '#ff0000'],
    ]);
  });

  it.each([
    ['a.txt', '#aabbcc', /CSV, JSON, CSS and SVG/],
    ['a.csv', 'name,colour\n', /no colour in it/],
    ['a.csv', 'name,colour\nSea,blueish\n', /Row 2 has no colour in it/],
    ['a.json', '{', /not JSON/],
    ['a.json', '{"a":{"$type":"color","$value":"bluish"}}', /colour of “a” cannot be read/],
    ['a.css', 'body { color: red }', /no custom property/],
    ['a.svg', '<svg><rect', /not an SVG/],
    [
      'a.csv',
      Array.from({ length: 201 }, (_, n) => `x,#${n.toString(16).padStart(6, '0')}`).join('\n'),
      /201 colours; a shelf holds at most 200/,
    ],
    ['a.csv', 'x'.repeat(1_000_001), /larger than/],
  ])('refuse %s: %#', (name, text, sentence) => {
    expect(() => readShelf(name, text)).toThrow(ShelfError);
    expect(() => readShelf(name, text)).toThrow(sentence);
  });

  it('say what is wrong with any text at all, and never break', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SHELF_FORMAT_NAMES), fc.string({ maxLength: 80 }), (format, text) => {
        try {
          readShelf(`a.${format}`, text);
        } catch (error) {
          expect(error).toBeInstanceOf(ShelfError);
        }
      }),
    );
  });
});

it('are given a name that no other has', () => {
  expect(freeShelfName([], 'Pier')).toBe('Pier');
  expect(freeShelfName([{ name: 'Pier' }, { name: 'Pier 2' }], 'Pier')).toBe('Pier 3');
  const long = 'x'.repeat(120);
  const free = freeShelfName([{ name: long }], long);
  expect(free).not.toBe(long);
  expect(free.length).toBeLessThanOrEqual(120);
});

describe('a palette lifted from a picture', () => {
  it('has the colours of flat areas and how much each covers, the largest first', () => {
    fc.assert(
      fc.property(fc.uniqueArray(hex, { minLength: 3, maxLength: 6 }), (colours) => {
        fc.pre(colours.every((a, n) => colours.slice(0, n).every((b) => colourDifference(a, b) > 8)));
        const areas = colours.map((_, n) => 40 + 25 * n);
        const data = new Uint8ClampedArray(
          colours.flatMap((colour, n) =>
            Array.from({ length: areas[n] as number }, () => [
              ...[1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16)),
              255,
            ]).flat(),
          ),
        );
        const found = liftPalette(data, colours.length);
        expect(found.map(({ colour }) => colour)).toEqual([...colours].reverse());
        const all = areas.reduce((sum, area) => sum + area, 0);
        for (const [n, { share }] of found.entries())
          expect(share).toBeCloseTo((areas[areas.length - 1 - n] as number) / all, 9);
        expect(liftPalette(data, colours.length)).toEqual(found);
      }),
    );
  });

  it('has nothing of what is not seen, and no more colours than there are', () => {
    expect(liftPalette(new Uint8ClampedArray(400), 5)).toEqual([]);
    expect(liftPalette(new Uint8ClampedArray(0), 5)).toEqual([]);
    expect(liftPalette(new Uint8ClampedArray(400).fill(255), 24)).toEqual([{ colour: '#ffffff', share: 1 }]);
  });
});
