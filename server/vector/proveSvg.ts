import sharp from 'sharp';
import { type Extent, exportPlan, isTiling, NO_BLEED, type VectorPage } from '../../core/export/index.ts';
import type { Repeat } from '../../core/lattice/index.ts';
import { type CanvasBackend, paintPlane, type Scene } from '../../core/paint/index.ts';
import { nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';
import type { Proof } from '../paint/proveFile.ts';

/** Pixels that are compared. */
const PIXELS = 2e6;
/** Two engines smooth edges differently, by so much in the mean of 255 at the most: one per cent. */
const MOST_MEAN = 2.55;

interface Drawn {
  readonly scene: Scene;
  readonly backend: CanvasBackend;
  readonly repeat: Repeat;
  readonly page: VectorPage;
  readonly extent: Extent;
}

/**
 * Draws an SVG document of the cloth with another engine and compares all of its trim with the painter's pixels.
 *
 * @throws Error where they differ by more than two engines do
 */
export async function proveSvg(text: string, { scene, backend, repeat, page, extent }: Drawn): Promise<Proof> {
  const { right, bottom } = page.trim;
  const wide = Math.max(16, Math.round(Math.sqrt((PIXELS * right) / bottom)));
  const { grid, width, height } = exportPlan(repeat, {
    format: 'png',
    extent,
    size: { kind: 'pixels', width: wide },
    bleed: NO_BLEED,
    marks: false,
  });
  // The trim alone, in whole pixels of the painter's grid.
  const framed = text.replace(
    /<svg [^>]*>/,
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${right} ${bottom}" preserveAspectRatio="none">`,
  );
  const pixels = await sharp(Buffer.from(framed), { unlimited: true, limitInputPixels: false })
    .ensureAlpha()
    .raw()
    .toBuffer();
  if (pixels.length !== 4 * width * height) throw new Error('the SVG is not as large as it should be');
  const surface = nodeSurface(width, height);
  paintPlane(surface.context, { scene, grid, window: { left: 0, top: 0, right: width, bottom: height } }, backend);
  const wanted = pixelsOf(surface);
  let [largest, sum] = [0, 0];
  for (let i = 0; i < wanted.length; i += 4) {
    const [foundAlpha, alpha] = [pixels[i + 3] as number, wanted[i + 3] as number];
    for (let channel = 0; channel < 4; channel += 1) {
      // What is nearly transparent has no colour to speak of.
      const found = channel === 3 ? foundAlpha : ((pixels[i + channel] as number) * foundAlpha) / 255;
      const value = channel === 3 ? alpha : ((wanted[i + channel] as number) * alpha) / 255;
      const difference = Math.abs(found - value);
      sum += difference;
      if (difference > largest) largest = difference;
    }
  }
  const mean = sum / wanted.length;
  if (mean > MOST_MEAN) throw new Error(`the SVG differs from the cloth by ${mean.toFixed(3)} of 255 in the mean`);
  return { pixels: width * height, largest: Math.round(largest), mean, tiled: isTiling(extent) };
}

/** The document with what was found written into it. */
export function withProof(text: string, { pixels, mean }: Proof): string {
  const found = `Redrawn and compared with the pattern at ${pixels} pixels: mean difference ${((100 * mean) / 255).toFixed(2)} %.`;
  return text.replace('<defs>', `<metadata>${found}</metadata><defs>`);
}
