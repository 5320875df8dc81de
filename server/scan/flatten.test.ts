import fc from 'fast-check';
import { PDFDocument, rgb } from 'pdf-lib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Scan } from '../../contract/index.ts';
import { hostileDrawings } from '../testing/hostileDrawings.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { readPixels } from './pictureFile.ts';

let studio: TestStudio;
beforeAll(async () => {
  studio = await openTestStudio();
});
afterAll(() => studio.close());

async function sent(name: string, content: string | Uint8Array): Promise<{ status: number; body: unknown }> {
  const body = typeof content === 'string' ? content : new Uint8Array(content);
  const answer = await studio.fetch(`/scans?name=${encodeURIComponent(name)}`, { method: 'POST', body });
  return { status: answer.status, body: await answer.json() };
}

/** What lies on the shelf after a file was sent: its true size, mm, and a pixel at a share of it. */
async function shelved(name: string, content: string | Uint8Array) {
  const { status, body } = await sent(name, content);
  expect(status).toBe(201);
  return onShelf(body as Scan);
}

async function onShelf(scan: Scan) {
  const { width, height, data } = await readPixels(scan.picture, studio.studio.blobs);
  const at = (x: number, y: number): number[] => {
    const n = 4 * (Math.floor(y * height) * width + Math.floor(x * width));
    return [...data.subarray(n, n + 4)];
  };
  return { scan, mm: [(width * 25.4) / scan.dpi, (height * 25.4) / scan.dpi] as const, at, width, height, data };
}

const RED = [255, 0, 0, 255];
const BLUE = [0, 0, 255, 255];
const svg = (inner: string, size = 'width="200mm" height="100mm" viewBox="0 0 400 200"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${size}>${inner}</svg>`;
/** Red above, blue below, reaching over the tile on all sides. */
const HALVES =
  '<rect x="-5" y="-5" width="90" height="70" fill="blue"/><rect x="-5" y="-5" width="90" height="25" fill="red"/>';

describe('an SVG that repeats', () => {
  it('is one tile of its pattern, at its true size, filled to the last pixel', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 31, max: 79 }),
        fc.integer({ min: 23, max: 57 }),
        fc.constantFrom(0.5, 1, 1.7),
        fc.constantFrom(0, 30, 90),
        async (wide, high, scale, turn) => {
          const { mm, at, data } = await shelved(
            'stripes.svg',
            svg(
              `<pattern id="p" x="3" y="7" width="${wide}" height="${high}" patternUnits="userSpaceOnUse" patternTransform="rotate(${turn}) scale(${scale})">${HALVES}</pattern>
              <g transform="scale(2)"><rect width="100" height="60" fill="url(#p)"/></g>`,
            ),
          );
          expect(mm[0]).toBeCloseTo(wide * scale, 0);
          expect(mm[1]).toBeCloseTo(high * scale, 0);
          expect([at(0.5, 0.02), at(0.5, 0.98)]).toEqual([RED, BLUE]);
          expect(data.every((level, n) => n % 4 !== 3 || level === 255)).toBe(true);
        },
      ),
      { numRuns: 6 },
    );
  });

  it('is read where its pattern follows another, in shares of what it fills or in a view of its own', async () => {
    const followed = await shelved(
      'followed.svg',
      svg(`<pattern id="a" width="60" height="40" patternUnits="userSpaceOnUse">${HALVES}</pattern>
        <pattern id="b" xlink:href="#a" patternTransform="scale(0.5)"/><rect width="400" height="200" style="fill:url(#b)"/>`),
    );
    expect(followed.mm[0]).toBeCloseTo(15, 0);
    const shares = await shelved(
      'shares.svg',
      svg(`<pattern id="a" width="0.25" height="0.5" viewBox="0 0 80 40" preserveAspectRatio="none">${HALVES}</pattern>
        <rect width="320" height="120" fill="url(#a)"/><circle r="4" fill="green"/>`),
    );
    expect(shares.mm[0]).toBeCloseTo(40, 0);
    expect(shares.mm[1]).toBeCloseTo(30, 0);
    expect([shares.at(0.1, 0.4), shares.at(0.9, 0.6)]).toEqual([RED, BLUE]);
  });

  it('is its page where it has no pattern', async () => {
    const { mm, at } = await shelved(
      'page.svg',
      svg('<rect width="200" height="200" fill="red"/><rect x="200" width="200" height="200" fill="blue"/>'),
    );
    expect(mm[0]).toBeCloseTo(200, 0);
    expect(mm[1]).toBeCloseTo(100, 0);
    expect([at(0.01, 0.99), at(0.99, 0.01)]).toEqual([RED, BLUE]);
  });

  it('is its page where a pattern fills only a part of what is drawn', async () => {
    const { mm } = await shelved(
      'badge.svg',
      svg(
        `<pattern id="p" width="20" height="10" patternUnits="userSpaceOnUse">${HALVES}</pattern><rect width="400" height="200" fill="red"/><rect width="90" height="90" fill="url(#p)"/>`,
      ),
    );
    expect(mm[0]).toBeCloseTo(200, 0);
  });

  it('is refused where its tile has no right angles or no size', async () => {
    const filled = (attributes: string): string =>
      svg(
        `<pattern id="p" patternUnits="userSpaceOnUse" ${attributes}>${HALVES}</pattern><rect width="400" height="200" fill="url(#p)"/>`,
      );
    expect(await sent('slanted.svg', filled('width="60" height="40" patternTransform="skewX(20)"'))).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/slanted pattern.*Nothing was added/) as string },
    });
    expect(await sent('torn.svg', '<svg xmlns="http://www.w3.org/2000/svg"><rect')).toMatchObject({ status: 422 });
    expect(await sent('notes.txt', 'a few words')).toMatchObject({
      status: 415,
      body: { detail: expect.stringMatching(/not a PNG.*SVG or PDF file\. Nothing was added/) as string },
    });
  });
});

describe('an SVG made to hurt', () => {
  it.each(['almost two million commands', 'a letter of a kilometre', 'words of ten kilobytes'])(
    'is refused with a sentence, or read: %s',
    async (name) => {
      const { status, body } = await sent('hurts.svg', hostileDrawings()[name]?.() ?? '');
      expect([201, 413, 422]).toContain(status);
      if (status !== 201) expect(body).toMatchObject({ detail: expect.stringMatching(/Nothing was added/) as string });
      expect(studio.log).toEqual([]);
    },
  );
});

describe('a PDF', () => {
  it('is a picture of each of its pages, at their true size', async () => {
    const document = await PDFDocument.create();
    const mm = 72 / 25.4;
    for (const [width, height] of [
      [101.3, 60.7],
      [50, 80],
    ] as const) {
      const page = document.addPage([width * mm, height * mm]);
      page.drawRectangle({ x: 0, y: 0, width: width * mm, height: height * mm, color: rgb(0, 0, 1) });
      page.drawRectangle({
        x: 0,
        y: (height / 2) * mm,
        width: width * mm,
        height: (height / 2) * mm,
        color: rgb(1, 0, 0),
      });
    }
    const first = await shelved('tiles.pdf', await document.save());
    expect(first.scan.name).toBe('Tiles, page 1');
    expect(first.mm[0]).toBeCloseTo(101.3, 0);
    expect(first.mm[1]).toBeCloseTo(60.7, 0);
    // To the very edges: a last row that is half covered would be a line in the cloth.
    for (const x of [0, 0.5, 0.9999]) expect([first.at(x, 0), first.at(x, 0.9999)]).toEqual([RED, BLUE]);
    const { body } = await studio.call('GET', '/scans');
    const second = (body as unknown as Scan[]).find(({ name }) => name === 'Tiles, page 2');
    if (!second) throw new Error('the second page is not on the shelf');
    expect((await onShelf(second)).mm[1]).toBeCloseTo(80, 0);
  });

  it('that is damaged is refused with a sentence', async () => {
    expect(await sent('torn.pdf', '%PDF-1.7\nand no more')).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/damaged or cut short.*Nothing was added/) as string },
    });
  });

  /** A PDF of parts as they are written, the first of which is its catalogue. */
  const written = (...parts: string[]): string =>
    `%PDF-1.4\n${parts.map((part, n) => `${n + 1} 0 obj${part}endobj`).join('\n')}\ntrailer<</Root 1 0 R>>\n%%EOF`;
  const page = (box: string): string =>
    written(
      '<</Type/Catalog/Pages 2 0 R>>',
      '<</Type/Pages/Count 1/Kids[3 0 R]>>',
      `<</Type/Page/Parent 2 0 R/MediaBox[${box}]>>`,
    );

  it.each([
    ['has no page', written('<</Type/Catalog/Pages 2 0 R>>', '<</Type/Pages/Count 0/Kids[]>>')],
    ['has pages that hold themselves', written('<</Type/Catalog/Pages 2 0 R>>', '<</Type/Pages/Count 1/Kids[2 0 R]>>')],
    ['has a page wider than can be drawn', page('0 0 1000000000 10')],
    ['has a page of next to nothing', page('0 0 0.001 0.001')],
    ['has a page of numbers beyond all numbers', page('0 0 1e308 1e308')],
  ])('that %s is refused, or read as a page of a usual size', async (_what, content) => {
    const { status, body } = await sent('odd.pdf', content);
    expect([201, 422]).toContain(status);
    if (status === 422) expect(body).toMatchObject({ detail: expect.stringMatching(/Nothing was added/) as string });
    expect(studio.log).toEqual([]);
  });
});
