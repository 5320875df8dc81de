import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { seeded } from '../../core/random/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { Blobs } from '../store/blobs.ts';
import { previewPicture } from '../scan/previewPicture.ts';
import type { ScannedPicture, ScanTask, TaskContext } from '../work/tasks.ts';
import { drawnOn, GLASS_MM, ORIGINALS, type Original } from './originals.ts';

/** The paper's grain and the sensor's noise, values to either side. */
const GRAIN = 3;
/** Rows between two looks at whether to go on. */
const BAND = 256;

/** Reads a sheet as a flatbed scanner would: askew, on tinted paper, unevenly lit, with dust on the glass. */
export async function scanSheet(
  { original: id, dpi, blobs: folder }: ScanTask,
  context: TaskContext,
): Promise<ScannedPicture> {
  const original = ORIGINALS.find((original) => original.id === id);
  if (!original) throw new RangeError(`there is no original ${id}`);
  const width = Math.round((GLASS_MM.width / MM_PER_INCH) * dpi);
  const rendered = new Resvg(onTheGlass(original), {
    fitTo: { mode: 'width', value: width },
    font: { loadSystemFonts: false },
  }).render();
  context.progress(0.25);
  const { height } = rendered;
  const ink = rendered.pixels;
  const seen = new Uint8Array(width * height * 3);
  const { paper, lamp, seed } = original;
  for (let y = 0; y < height; y += 1) {
    if (y % BAND === 0) {
      context.progress(0.25 + (0.45 * y) / height);
    }
    for (let x = 0; x < width; x += 1) {
      const n = y * width + x;
      const light = 1 - lamp.falls * Math.min(1, Math.hypot(x / width - lamp.x, y / height - lamp.y));
      const grain = (grainAt(x, y, seed) - 0.5) * 2 * GRAIN;
      for (let c = 0; c < 3; c += 1)
        seen[n * 3 + c] = Math.min(
          255,
          Math.max(0, Math.round(((ink[n * 4 + c] as number) / 255) * (paper[c] as number) * light + grain)),
        );
    }
  }
  const blobs = new Blobs(folder);
  const file = await sharp(seen, { raw: { width, height, channels: 3 } })
    .withMetadata({ density: dpi })
    .jpeg({ quality: 95, chromaSubsampling: '4:4:4' })
    .toBuffer();
  context.progress(0.85);
  const kept = blobs.pathOf(blobs.keep(file, 'jpg'));
  return previewPicture({ kind: 'preview', name: original.name, file: kept, blobs: folder });
}

/** The sheet on the glass with the dust, ink on white. */
function onTheGlass(original: Original): string {
  const { width, height } = GLASS_MM;
  const random = seeded(original.seed);
  const dust = Array.from({ length: original.specks }, () => {
    const r = 0.04 + 0.14 * random() ** 3;
    return `<circle cx="${(random() * width).toFixed(2)}" cy="${(random() * height).toFixed(2)}" r="${r.toFixed(3)}" fill="#4a4540" opacity="${(0.4 + 0.5 * random()).toFixed(2)}"/>`;
  }).join('');
  const drawing = drawnOn(original)
    .replace(/^[\s\S]*?<svg[^>]*>/, '')
    .replace(/<\/svg>\s*$/, '');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><rect width="${width}" height="${height}" fill="#fff"/><g transform="rotate(${original.tilt} ${width / 2} ${height / 2})">${drawing}</g>${dust}</svg>`;
}

/** Noise that is the same for the same place, 0 to 1: a hash of the place (public domain finaliser of MurmurHash3). */
function grainAt(x: number, y: number, seed: number): number {
  let h = Math.imul(x + 1, 0x9e3779b1) ^ Math.imul(y + 1, 0x85ebca6b) ^ Math.imul(seed, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}
