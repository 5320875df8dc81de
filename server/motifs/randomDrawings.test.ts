import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import type { Artwork } from '../../core/motif/index.ts';
import { drawings } from '../../core/testing/svgArbitraries.ts';
import { Blobs } from '../store/blobs.ts';
import { readVectors } from './readVectors.ts';
import { paintPicture } from './trim.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-drawings-'));
const blobs = new Blobs(folder);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

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

/** The mean difference of all channels between our reading and that of another engine (librsvg), 0 to 1. */
async function difference(svg: string): Promise<number> {
  const content = Buffer.from(svg);
  const { width = 1, height = 1 } = await sharp(content).metadata();
  const theirs = await sharp(content, { density: (72 * SIDE) / Math.max(width, height) })
    .png()
    .toBuffer();
  const size = await sharp(theirs).metadata();
  const { artwork } = await readVectors('a.svg', content, blobs);
  const ours = await paintPicture(fitted(artwork, size.width, size.height), blobs, 1);
  const [a, b] = [await onWhite(theirs), await onWhite(ours)];
  expect(b.length).toBe(a.length);
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += Math.abs((a[i] as number) - (b[i] as number));
  return sum / a.length / 255;
}

describe('any small drawing', () => {
  it('looks as another engine shows it', { timeout: 60_000 }, async () => {
    await fc.assert(
      fc.asyncProperty(drawings, async (svg) => {
        // Edges alone, which the engines soften differently, come to a tenth of this.
        expect(await difference(svg)).toBeLessThan(0.025);
      }),
      { numRuns: process.env['HEVREL_SOAK'] ? 2000 : 100 },
    );
  });
});
