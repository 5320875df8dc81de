import { gzipSync } from 'node:zlib';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ImportReport } from '../../contract/index.ts';
import { type Artwork, everyNode } from '../../core/motif/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { readArtwork } from '../store/keptArtwork.ts';

let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

type Outcome = ImportReport & { readonly status: number; readonly artwork: Artwork; readonly detail: string };
async function bring(content: Buffer | string, name = 'a.svg'): Promise<Outcome> {
  const { status, body } = await hevrel.send(name, content);
  const report = body as unknown as Outcome;
  const artwork = status === 201 ? await readArtwork(hevrel.studio.blobs, report.motif.artwork) : undefined;
  return { ...report, status, artwork: artwork as Artwork };
}
const svg = (inner: string, attributes = 'width="50mm" height="50mm" viewBox="0 0 100 100"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;
const RECT = '<rect x="10" y="20" width="40" height="20" fill="#b5442f"/>';

/** The colour of the motif's small picture at a share of its width and height. */
async function colourAt({ motif }: Outcome, x: number, y: number): Promise<number[]> {
  const picture = sharp(await hevrel.studio.blobs.read(motif.thumbnail));
  const { width, height } = await picture.metadata();
  const at = { left: Math.floor(x * width), top: Math.floor(y * height), width: 1, height: 1 };
  return [...(await picture.extract(at).ensureAlpha().raw().toBuffer())];
}
const plain = (width: number, height: number, background: string) =>
  sharp({ create: { width, height, channels: 4, background } });

describe('a drawing’s file', () => {
  const latin1 = Buffer.from(
    `<?xml version="1.0" encoding="ISO-8859-1"?>${svg(`<style>.häger{fill:#205ac0}</style>${RECT.replace('fill="#b5442f"', 'class="häger"')}`)}`,
    'latin1',
  );
  it.each<[string, Buffer]>([
    ['packed (.svgz)', gzipSync(svg(RECT))],
    ['in UTF-16 with its mark', Buffer.from(`\ufeff<?xml version="1.0" encoding="UTF-16"?>${svg(RECT)}`, 'utf16le')],
    ['in UTF-16 without one', Buffer.from(svg(RECT), 'utf16le')],
    ['in UTF-16, high byte first', Buffer.from(`\ufeff${svg(RECT)}`, 'utf16le').swap16()],
    ['in UTF-8 with its mark', Buffer.from(`\ufeff${svg(RECT)}`)],
    ['in an encoding of no known name', Buffer.from(`<?xml version="1.0" encoding="x-shore"?>${svg(RECT)}`)],
    ['that begins with 50 kB of comments', Buffer.from(`<!--${' shore '.repeat(8000)}-->${svg(RECT)}`)],
    [
      'with a prefix',
      Buffer.from(
        svg(RECT)
          .replace(/<(\/?)(svg|rect)/g, '<$1s:$2')
          .replace('xmlns=', 'xmlns:s='),
      ),
    ],
    ['without a namespace', Buffer.from(`<svg width="50mm" height="50mm" viewBox="0 0 100 100">${RECT}</svg>`)],
  ])('comes in when it is %s', async (_what, content) => {
    const outcome = await bring(content);
    expect(outcome).toMatchObject({ status: 201, notes: [], motif: { inks: ['#b5442f'] } });
    expect(outcome.motif.width).toBeCloseTo(20, 3);
  });

  it('comes in with the letters of its declared encoding', async () => {
    expect((await bring(latin1)).motif.inks).toEqual(['#205ac0']);
  });

  it.each([
    ['packed and damaged', gzipSync(svg(RECT)).subarray(0, 60), 422, /damaged or cut short/],
    ['packed, and something else', gzipSync('ahoy'), 422, /cannot be read/],
    ['packed, and 11 MB', gzipSync(svg(`<!--${' '.repeat(11e6)}-->`)), 413, /larger than 10 MB/],
  ])('is refused with a sentence when it is %s', async (_what, content, status, sentence) => {
    const outcome = await bring(content, 'a.svgz');
    expect([outcome.status, outcome.detail]).toEqual([status, expect.stringMatching(sentence)]);
  });

  it.each([
    ['height="20mm" viewBox="0 0 100 50"', 16],
    ['width="40mm" height="20mm" viewBox="0 0 50 50"', 16],
    ['width="80mm" height="20mm" viewBox="0 0 100 100"', 8],
    ['width="2in" viewBox="0 0 80 80"', 25.4],
  ])('is as large as it says: %s', async (attributes, width) => {
    expect((await bring(svg(RECT, attributes))).motif.width).toBeCloseTo(width, 3);
  });

  it('shows what lies on the page outside the view box, and nothing of what lies off the page', async () => {
    const wide = 'width="60mm" height="20mm" viewBox="0 0 20 20"';
    const outcome = await bring(
      svg('<rect x="-15" width="10" height="20"/><rect x="-90" width="60" height="9"/>', wide),
    );
    expect(outcome.motif.width).toBeCloseTo(10, 3);
  });

  it('is taken as it is drawn where all of it lies off its page', async () => {
    const outcome = await bring(svg('<rect x="-80" y="300" width="20" height="10" fill="#205ac0"/>'));
    expect(outcome.notes).toEqual(['It lies off its page, and was taken as it is drawn.']);
    expect(outcome.motif.width).toBeCloseTo(10, 6);
  });

  it('is not hidden by one number that is far out', async () => {
    const { motif } = await bring(svg(`${RECT}<path stroke="#000000" d="M10 20L1e9 1e9"/>`, ''));
    expect([motif.view.width, motif.view.height].every((side) => side < 1e3)).toBe(true);
    expect((await bring(svg(RECT, 'viewBox="0 0 1e7 1e7"'))).motif.view.width).toBeCloseTo(40, 3);
  });

  it('that is a hair across is made wide enough to be seen', async () => {
    const strip = await plain(10, 20_000, '#205ac0').png().toBuffer();
    expect((await bring(strip, 'strip.png')).motif.width).toBeCloseTo(0.5, 6);
    expect((await bring(svg('<rect width="1" height="40"/>', 'viewBox="0 0 50 50"'))).motif.width).toBeCloseTo(2, 3);
  });
});

describe('pictures within a drawing', () => {
  const embed = (type: string, bytes: Buffer, attributes = 'x="10" y="10" width="80" height="80"'): string =>
    svg(`<image ${attributes} href="data:${type};base64,${bytes.toString('base64')}"/>`);

  it.each([
    ['', 'png'],
    ['image/png;charset=utf-8', 'png'],
    ['image/gif', 'gif'],
    ['image/webp', 'webp'],
    ['image/tiff', 'tiff'],
    ['application/octet-stream', 'jpeg'],
  ] as const)('come in as what they are, whatever they are called: %s (%s)', async (type, format) => {
    const bytes = await plain(8, 8, '#205ac0').toFormat(format).toBuffer();
    const outcome = await bring(embed(type, bytes));
    expect(outcome).toMatchObject({ status: 201, notes: [] });
    const [r = 0, g = 0, b = 0, a] = await colourAt(outcome, 0.5, 0.5);
    expect([Math.abs(r - 0x20) < 4, Math.abs(g - 0x5a) < 4, Math.abs(b - 0xc0) < 4, a]).toEqual([
      true,
      true,
      true,
      255,
    ]);
  });

  it('keep their shape in a frame of another', async () => {
    const bytes = await plain(40, 10, '#205ac0').png().toBuffer();
    const { view } = (await bring(embed('image/png', bytes))).motif;
    expect([view.x, view.y, view.width, view.height].map(Math.round)).toEqual([10, 40, 80, 20]);
  });

  it('may be drawings themselves, packed in percents or base64', async () => {
    const inner = svg('<rect width="10" height="10" fill="#2e7d4f"/>', 'viewBox="0 0 10 10"');
    const outcome = await bring(
      svg(`<image width="50" height="50" href="data:image/svg+xml,${encodeURIComponent(inner)}"/>`),
    );
    expect(outcome).toMatchObject({ notes: [], motif: { inks: ['#2e7d4f'] } });
    expect((await bring(embed('image/svg+xml', Buffer.from(inner)))).motif.inks).toEqual(['#2e7d4f']);
    // A drawing that holds itself for ever would be endless text; one too deep is left out.
    const deep = [1, 2, 3].reduce((held) => embed('image/svg+xml', Buffer.from(held)), inner);
    expect(await bring(svg(RECT + deep.slice(deep.indexOf('<image'), -6)))).toMatchObject({
      status: 201,
      motif: { inks: ['#b5442f'] },
    });
  });

  it('are left out when they are damaged, and the rest comes in', async () => {
    const whole = await sharp({
      create: {
        width: 90,
        height: 90,
        channels: 3,
        background: '#000',
        noise: { type: 'gaussian', mean: 99, sigma: 30 },
      },
    })
      .png()
      .toBuffer();
    for (const share of [0.02, 0.4, 0.95]) {
      const cut = whole.subarray(0, Math.floor(whole.length * share)).toString('base64');
      const outcome = await bring(svg(`${RECT}<image width="9" height="9" href="data:image/png;base64,${cut}"/>`));
      expect(outcome).toMatchObject({ status: 201, notes: ['Left out: a damaged picture.'] });
    }
    const alone = await bring(embed('image/png', whole.subarray(0, 200)));
    expect([alone.status, alone.detail]).toEqual([422, expect.stringMatching(/nothing that can be seen/)]);
  });
});

describe('what a drawing is drawn with', () => {
  it('may be dots: lines of no length with round caps', async () => {
    const dots =
      '<path d="M20 20h0M80 20z" stroke="#b5442f" stroke-width="20" stroke-linecap="round"/><path d="M50 80L50 80" stroke="#205ac0" stroke-width="20" stroke-linecap="square"/>';
    const outcome = await bring(svg(dots));
    expect(outcome.motif.inks).toEqual(expect.arrayContaining(['#b5442f', '#205ac0']));
    expect(outcome.motif.width).toBeCloseTo(40, 1);
    expect(await colourAt(outcome, 0.5, 0.9)).toEqual([0x20, 0x5a, 0xc0, 255]);
  });

  it('may refer to itself, which draws the rest', async () => {
    expect((await bring(svg(`<g id="a">${RECT}<use href="#a" x="5"/></g>`))).motif.inks).toEqual(['#b5442f']);
  });

  it('stays vectors with their inks where it is patterns and gradients that go on', async () => {
    const { artwork, notes, motif } = await bring(
      svg(`<defs><pattern id="p" width="0.2" height="0.2"><circle cx="3" cy="3" r="3" fill="#e8c547"/></pattern>
        <linearGradient id="g" x2="0.1" spreadMethod="reflect"><stop stop-color="#205ac0"/><stop offset="1" stop-color="#ffffff"/></linearGradient></defs>
        <rect width="60" height="60" fill="url(#p)"/><rect y="70" width="60" height="20" fill="url(#g)"/>`),
    );
    expect(notes).toEqual([]);
    expect([...everyNode(artwork.nodes)].some(({ kind }) => kind === 'picture')).toBe(false);
    expect(motif.inks).toEqual(['#e8c547', '#205ac0', '#ffffff']);
  });

  it('keeps all else as vectors where one part has to be a picture, in its place', async () => {
    const outcome = await bring(
      svg(
        `<filter id="f"><feGaussianBlur stdDeviation="2"/></filter>${RECT}<g transform="translate(50 50) rotate(45)"><rect width="20" height="20" fill="#205ac0" filter="url(#f)"/></g>`,
      ),
    );
    expect(outcome.notes).toEqual(['Kept as a picture where it has a filter effect; the rest stays vectors.']);
    expect(outcome.motif.inks).toEqual(['#b5442f']);
    const at = (x: number, y: number) => {
      const { view } = outcome.motif;
      return colourAt(outcome, (x - view.x) / view.width, (y - view.y) / view.height);
    };
    const [r = 0, , b = 0, a = 0] = await at(50, 64);
    expect(a).toBeGreaterThan(240);
    expect(b - r).toBeGreaterThan(100);
    expect(await at(30, 30)).toEqual([0xb5, 0x44, 0x2f, 255]);
  });
});

describe('pictures', () => {
  it.each([8, 16])('of %d bits have their colour profile applied', async (bits) => {
    const base = plain(8, 8, '#e83322').removeAlpha();
    const wide = await (bits === 16 ? base.toColourspace('rgb16') : base).withIccProfile('p3').png().toBuffer();
    expect((await sharp(wide).metadata()).depth).toBe(bits === 16 ? 'ushort' : 'uchar');
    const [r = 0, g = 0, b = 0] = await colourAt(await bring(wide, `p3-${bits}.png`), 0.5, 0.5);
    for (const [is, was] of [
      [r, 0xe8],
      [g, 0x33],
      [b, 0x22],
    ] as const)
      expect(Math.abs(is - was)).toBeLessThanOrEqual(2);
  });

  it('that move come in as the first of them', async () => {
    const frames = Buffer.concat([
      Buffer.alloc(8 * 8 * 4, Buffer.from('b5442fff', 'hex')),
      Buffer.alloc(8 * 8 * 4, Buffer.from('205ac0ff', 'hex')),
    ]);
    const gif = await sharp(frames, { raw: { width: 8, height: 16, channels: 4, pageHeight: 8 } })
      .gif({ delay: [100, 100] })
      .toBuffer();
    const outcome = await bring(gif, 'wave.gif');
    expect(outcome.notes).toEqual(['Of its 2 pictures the first was taken.']);
    const [r = 0] = await colourAt(outcome, 0.5, 0.5);
    expect(r).toBeGreaterThan(150);
  });

  it('may be BigTIFF', async () => {
    const tiff = await plain(9, 9, '#2e7d4f').tiff({ bigtiff: true, compression: 'lzw' }).toBuffer();
    expect(tiff.readUInt8(2)).toBe(0x2b);
    expect((await bring(tiff, 'big.tif')).status).toBe(201);
  });
});
