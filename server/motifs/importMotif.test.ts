import type { StoredMotif } from '../../contract/index.ts';
import sharp, { type Sharp } from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Artwork } from '../../core/motif/index.ts';
import { hostileDrawings } from '../testing/hostileDrawings.ts';
import { pngClaiming } from '../testing/pngOf.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { nameFrom } from './importMotif.ts';
import { readArtwork } from '../store/keptArtwork.ts';

let hevrel: TestStudio;

beforeAll(async () => {
  hevrel = await openTestStudio();
});

afterAll(() => hevrel.close());

interface Outcome {
  readonly status: number;
  readonly motif: StoredMotif;
  readonly notes: string[];
  readonly detail: string;
}

async function bring(name: string, content: Buffer | string): Promise<Outcome> {
  const { status, body } = await hevrel.send(name, content);
  return { status, ...(body as unknown as Omit<Outcome, 'status'>) };
}

const artworkOf = ({ motif }: Outcome): Promise<Artwork> => readArtwork(hevrel.studio.blobs, motif.artwork);
const count = async (): Promise<number> => (await hevrel.call('GET', '/motifs')).body['total'] as number;
const svg = (inner: string, attributes = 'width="50mm" height="50mm" viewBox="0 0 100 100"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;
const dot = '<circle cx="50" cy="50" r="25" fill="#b5442f"/>';

function png(width: number, height: number): Sharp {
  return sharp({ create: { width, height, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } });
}

describe('vectors', () => {
  it('stay vectors, trimmed to what is drawn, at their natural size', async () => {
    const outcome = await bring('sea_snail-2.svg', svg(dot));
    expect(outcome).toMatchObject({
      status: 201,
      notes: [],
      motif: { name: 'Sea snail 2', collection: 'My motifs', inks: ['#b5442f'] },
    });
    // Half of 50 mm, to a pixel of the raster in which the extent is found.
    expect(outcome.motif.width).toBeCloseTo(25, 0);
    expect((await artworkOf(outcome)).nodes[0]).toMatchObject({ kind: 'path', fill: { ink: '#b5442f' } });
  });

  it('are 60 mm on their long side where they name no size', async () => {
    const { motif } = await bring(
      'plain.svg',
      svg('<rect x="10" y="10" width="80" height="40"/>', 'viewBox="0 0 100 100" width="300" height="300"'),
    );
    expect(motif.width).toBeCloseTo(60, 6);
  });

  it('keep the cut of their own frame', async () => {
    const outcome = await bring('cut.svg', svg('<circle cx="0" cy="50" r="40" fill="#123456"/>'));
    const { view, nodes } = await artworkOf(outcome);
    expect(view.x).toBe(0);
    expect(view.width).toBeCloseTo(40, 0);
    expect(nodes[0]).toMatchObject({ kind: 'group', clip: [{}] });
  });

  it('lose scripts, links and foreign markup, and say so', async () => {
    const outcome = await bring(
      'wicked.svg',
      svg(
        `<script>fetch("http://x.invalid")</script><image href="/etc/hostname" width="9" height="9"/><foreignObject><b/></foreignObject><g onload="x()">${dot}</g>`,
      ),
    );
    expect(outcome.status).toBe(201);
    expect(outcome.notes).toEqual([
      'Left out: a script, a linked picture. Embed what is linked and import the drawing again.',
    ]);
    expect(JSON.stringify(await artworkOf(outcome))).not.toMatch(/script|invalid|hostname|foreign|onload/);
  });

  it('are rendered where the model cannot hold them, and say what and why', async () => {
    const outcome = await bring(
      'soft.svg',
      svg(`<filter id="f"><feGaussianBlur stdDeviation="3"/></filter><g filter="url(#f)">${dot}</g>${dot}`),
    );
    expect(outcome.notes).toEqual(['Kept as a picture where it has a filter effect; the rest stays vectors.']);
    expect((await artworkOf(outcome)).nodes.map(({ kind }) => kind)).toEqual(['picture', 'path']);
  });

  it('keep embedded pictures', async () => {
    const picture = (await png(4, 4).flatten({ background: '#205ac0' }).png().toBuffer()).toString('base64');
    const outcome = await bring(
      'holding.svg',
      svg(`<image x="20" y="20" width="40" height="40" href="data:image/png;base64,${picture}"/>`),
    );
    expect(outcome.status).toBe(201);
    expect(JSON.stringify(await artworkOf(outcome))).toContain('"kind":"picture"');
    const shown = await sharp(await hevrel.studio.blobs.read(outcome.motif.thumbnail)).stats();
    expect(shown.channels[2]?.mean).toBeGreaterThan(150);
  });
});

describe('pictures', () => {
  it('keep their transparency and their density', async () => {
    const blot = await sharp({ create: { width: 100, height: 50, channels: 4, background: '#b5442f80' } })
      .png()
      .toBuffer();
    const sheet = await png(300, 300)
      .composite([{ input: blot, left: 100, top: 200 }])
      .withMetadata({ density: 300 })
      .png()
      .toBuffer();
    const outcome = await bring('blot.png', sheet);
    expect(outcome.motif.view).toMatchObject({ x: 100, y: 200, width: 100, height: 50 });
    // 100 px at 300 dpi.
    expect(outcome.motif.width).toBeCloseTo(25.4 / 3, 6);
    const { channels } = await sharp(await hevrel.studio.blobs.read(outcome.motif.thumbnail)).stats();
    expect(channels[3]?.mean).toBeCloseTo(128, -1);
  });

  it.each(['jpeg', 'webp', 'tiff', 'avif'] as const)('come as %s too', async (format) => {
    const { status, motif } = await bring(
      `blot.${format}`,
      await sharp({ create: { width: 90, height: 60, channels: 3, background: '#3e7a5e' } })
        .toFormat(format)
        .toBuffer(),
    );
    expect(status).toBe(201);
    expect(motif.width).toBeCloseTo(60, 6);
  });
});

describe('bad files', () => {
  it.each<[string, string, Buffer | string, number, RegExp]>([
    ['an empty file', 'empty.svg', '', 422, /is empty/],
    [
      'text called a picture',
      'note.png',
      'hello',
      415,
      /not an SVG, PNG, JPEG, WebP, GIF, TIFF or AVIF file, whatever its name says/,
    ],
    ['broken XML', 'broken.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0', 422, /cannot be read/],
    ['an SVG that shows nothing', 'bare.svg', svg('<g/>'), 422, /nothing that can be seen/],
    [
      'entities within entities',
      'laughs.svg',
      `<!DOCTYPE svg [<!ENTITY a "xxxxxxxxxx"><!ENTITY b "&a;&a;&a;&a;">]>${svg('<text>&b;</text>')}`,
      422,
      /entities are nested/,
    ],
    [
      'elements a thousand deep',
      'deep.svg',
      svg('<g>'.repeat(1000) + dot + '</g>'.repeat(1000)),
      422,
      /200 elements deep/,
    ],
    [
      'drawings that use themselves',
      'self.svg',
      svg('<g id="a"><use xlink:href="#a"/></g>'),
      422,
      /nothing that can be seen|cannot be read|no drawing/,
    ],
    [
      'ten megabytes of SVG',
      'large.svg',
      svg(`<!--${'x'.repeat(10.1 * 1024 * 1024)}-->${dot}`),
      413,
      /larger than 10 MB/,
    ],
    [
      'more than 100 megapixels in a few bytes',
      'bomb.png',
      pngClaiming(40_000, 40_000),
      413,
      /more than 100 megapixels/,
    ],
    ['a side without end', 'strip.png', pngClaiming(1, 10_000_000), 413, /is longer than 50,000 pixels/],
    ['more than 40 MB', 'heavy.png', Buffer.alloc(40 * 1024 * 1024 + 1), 413, /larger than 40 MB/],
  ])('are refused with a sentence and change nothing: %s', async (_what, name, content, status, sentence) => {
    const before = await count();
    const outcome = await bring(name, content);
    expect([outcome.status, outcome.detail]).toEqual([status, expect.stringMatching(sentence)]);
    expect(await count()).toBe(before);
  });

  it('are refused when cut short, wherever that is', async () => {
    const whole = await sharp({
      create: {
        width: 64,
        height: 64,
        channels: 3,
        noise: { type: 'gaussian', mean: 128, sigma: 40 },
        background: '#000',
      },
    })
      .png()
      .toBuffer();
    for (const share of [0.05, 0.3, 0.6, 0.9]) {
      const { status, detail } = await bring('cut.png', whole.subarray(0, Math.floor(whole.length * share)));
      expect(status).toBe(422);
      expect(detail).toMatch(/damaged or cut short/);
    }
  });
});

describe('an import', () => {
  it('that is stopped while it is read adds nothing, and says nothing', async () => {
    const before = await count();
    const stopper = new AbortController();
    const slow = hostileDrawings()['filters everywhere']?.() ?? '';
    const sending = hevrel.fetch('/motifs?name=slow.svg', {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(Buffer.from(slow)),
      signal: stopper.signal,
    });
    setTimeout(() => stopper.abort(), 300);
    await expect(sending).rejects.toThrow(/abort/);
    // Its process is free again at once: others would wait for it otherwise.
    expect((await bring('next.svg', svg(dot.replace('b5442f', '204080')))).status).toBe(201);
    expect(await count()).toBe(before + 1);
    expect(hevrel.log).toEqual([]);
  });
});

describe('names', () => {
  it.each([
    ['reef-knot_2.svg', 'Reef knot 2'],
    ['../../etc/passwd.svg', 'Passwd'],
    ['C:\\art\\Whelk.PNG', 'Whelk'],
    ['\u0000\u0007.svg', 'Motif'],
    ['Über–Muschel.webp', 'Über–Muschel'],
    ['a'.repeat(300), `A${'a'.repeat(119)}`],
  ])('come from the file: %j', (file, name) => expect(nameFrom(file)).toBe(name));

  it('and sizes can be changed, within reason', async () => {
    const { motif } = await bring('dot.svg', svg(dot));
    expect((await hevrel.call('PATCH', `/motifs/${motif.id}`, { name: 'Spot', width: 12 })).body).toMatchObject({
      name: 'Spot',
      width: 12,
    });
    for (const wrong of [{ width: -1 }, { width: 'wide' }, { name: '' }, { artwork: 'x' }]) {
      expect((await hevrel.call('PATCH', `/motifs/${motif.id}`, wrong)).status).toBe(400);
    }
    expect((await hevrel.call('PATCH', '/motifs/nowhere', { name: 'Spot' })).status).toBe(404);
  });
});
