import type { CleanSteps } from '../recipe/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { evenLight as evenTheLight } from './evenLight.ts';
import { applyLevels } from './levels.ts';
import { cropPixels, drawnBox, rotatePixels, rotateQuarters } from './orient.ts';
import { removePaper } from './paper.ts';
import { copyPixels, type PixelImage } from './pixelImage.ts';
import { removeSpecks } from './specks.ts';

/** The picture turned, straightened, cropped and evenly lit: what the levels are then judged by. */
export function straightenScan(
  picture: PixelImage,
  perMm: number,
  { quarters, straighten, crop, evenLight }: CleanSteps,
): PixelImage {
  const straight = rotatePixels(rotateQuarters(picture, quarters), straighten);
  const kept = crop
    ? cropPixels(straight, {
        left: crop.left * perMm,
        top: crop.top * perMm,
        right: crop.right * perMm,
        bottom: crop.bottom * perMm,
      })
    : straight;
  // Never the picture itself, which may be worked on again.
  const own = kept === picture ? copyPixels(kept) : kept;
  if (evenLight) evenTheLight(own);
  return own;
}

/** Lifts, takes the paper away and the specks; changes the picture itself. */
export function liftOff(pixels: PixelImage, perMm: number, { levels, paper, specks }: CleanSteps): void {
  if (levels) applyLevels(pixels, levels);
  if (paper) removePaper(pixels, paper, paper.soft === 0 ? 0 : Math.max(1, paper.soft * perMm));
  removeSpecks(pixels, specks * perMm * perMm);
}

/**
 * All that a recipe does to a picture before it is cut or traced.
 *
 * @param perMm pixels to a millimetre
 * @param told how far it is, 0 to 1
 */
export function cleanScan(
  picture: PixelImage,
  perMm: number,
  steps: CleanSteps,
  told: (share: number) => void = () => undefined,
): PixelImage {
  const pixels = straightenScan(picture, perMm, steps);
  told(0.5);
  liftOff(pixels, perMm, steps);
  told(0.9);
  return steps.trim && !steps.cut ? trimToDrawing(pixels) : pixels;
}

/** The picture without its empty margins; an empty one as it is. */
export function trimToDrawing(pixels: PixelImage): PixelImage {
  const box = drawnBox(pixels);
  return box ? cropPixels(pixels, box) : pixels;
}

/** Pixels to a millimetre at a density in dots per inch. */
export function perMillimetre(dpi: number): number {
  return dpi / MM_PER_INCH;
}
