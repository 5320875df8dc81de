import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import type { Artwork } from '../../core/motif/index.ts';
import { drawings, letteredDrawings } from '../../core/testing/svgArbitraries.ts';
import { Blobs } from '../store/blobs.ts';
import { readVectors } from './readVectors.ts';
import { shippedFontFiles } from './shippedFonts.ts';
import { paintPicture } from './trim.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-drawings-'));
const blobs = new Blobs(folder);
afterAll(() => removeFolder(folder));

/** Long side of the pictures that are compared. */
const SIDE = 160;

/** The artwork's whole page in so many pixels. */
function fitted({ view, nodes }: Artwork, width: number, height: number): Artwork {
  const [kx, ky] = [width / view.width, height / view.height];
  const matrix = [kx, 0, 0, ky, -view.x * kx, -view.y * ky] as const;
  return {
    version: 1,
    view: { x: 0, y: 0, width, height },
    nodes: [{ kind: 'group', matrix, opacity: 1, children: nodes }],
  };
}

const onWhite = (png: Buffer): Promise<Buffer> => sharp(png).flatten({ background: '#fff' }).raw().toBuffer();

/** What another engine shows of a drawing. */
type Renderer = (svg: string) => Promise<Buffer>;

async function byLibrsvg(svg: string): Promise<Buffer> {
  const { width = 1, height = 1 } = await sharp(Buffer.from(svg)).metadata();
  return sharp(Buffer.from(svg), { density: (72 * SIDE) / Math.max(width, height) })
    .png()
    .toBuffer();
}

/** It sets letters too, given the fonts; it also normalises drawings for us, but paints by itself. */
async function byResvg(svg: string): Promise<Buffer> {
  const font = { loadSystemFonts: false, fontFiles: [...(await shippedFontFiles(blobs))] };
  return Buffer.from(new Resvg(svg, { font, fitTo: { mode: 'width', value: SIDE } }).render().asPng());
}

/** The mean difference of all channels between our reading and that of another engine, 0 to 1. */
async function difference(svg: string, render: Renderer): Promise<number> {
  const theirs = await render(svg);
  const { width, height } = await sharp(theirs).metadata();
  const { artwork } = await readVectors('a.svg', Buffer.from(svg), blobs);
  const ours = await paintPicture(fitted(artwork, width, height), blobs, 1);
  const [a, b] = [await onWhite(theirs), await onWhite(ours)];
  expect(b.length).toBe(a.length);
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += Math.abs((a[i] as number) - (b[i] as number));
  return sum / a.length / 255;
}

describe('any small drawing', () => {
  it.each([
    // Edges alone, which engines soften differently, come to a tenth of this.
    ['another engine', drawings, byLibrsvg, 0.025],
    ['an engine with the same fonts', letteredDrawings, byResvg, 0.01],
  ])('looks as %s shows it', { timeout: 600_000 }, async (_engine, drawn, render, most) => {
    await fc.assert(
      fc.asyncProperty(drawn, async (svg) => {
        expect(await difference(svg, render)).toBeLessThan(most);
      }),
      { numRuns: process.env['HEVREL_SOAK'] ? 2000 : 80 },
    );
  });
});
