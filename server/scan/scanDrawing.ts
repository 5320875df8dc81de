import type { Point } from '../../core/geometry/index.ts';
import { type Artwork, withPalette } from '../../core/motif/index.ts';
import type { ScanRecipe } from '../../core/recipe/index.ts';
import {
  cleanScan,
  cutOut,
  cutSheet,
  type CutSheet,
  drawingAt,
  drawnBox,
  perMillimetre,
  type PixelImage,
  traceDrawing,
  trimToDrawing,
} from '../../core/scan/index.ts';
import { keptDrawing } from '../motifs/keptDrawing.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import type { Drawing, TaskContext } from '../work/tasks.ts';
import { checkedCrop, keepPixels, readPixels } from './pictureFile.ts';

/** Makes the motif that a scan's recipe describes: cleaned, cut out, traced where that is wished. @throws Problem */
export async function scanDrawing(recipe: ScanRecipe, blobs: Blobs, context: TaskContext): Promise<Drawing> {
  const { steps, drawing } = recipe;
  const perMm = perMillimetre(recipe.dpi);
  const sheet = await cleanedSheet(recipe, blobs, context);
  const own = steps.cut && drawing ? drawingOn(sheet, cutSheet(sheet, perMm, steps.cut), perMm, drawing) : sheet;
  const made = own && (await drawingOf(own, recipe, blobs));
  if (!made) throw nothingLeft();
  return made;
}

function drawingOn(sheet: PixelImage, cut: CutSheet, perMm: number, at: Point): PixelImage | undefined {
  const sheetDrawing = drawingAt(cut, perMm, at);
  return sheetDrawing && cutOut(sheet, cut, sheetDrawing).pixels;
}

/** The whole picture after every step but cutting and tracing. */
export async function cleanedSheet(
  { picture, dpi, steps }: ScanRecipe,
  blobs: Blobs,
  context: TaskContext,
): Promise<PixelImage> {
  const pixels = await readPixels(picture, blobs);
  context.progress(0.15);
  return checkedCrop(() =>
    cleanScan(pixels, perMillimetre(dpi), steps, (share) => {
      context.progress(0.15 + share * 0.5);
    }),
  );
}

/** Keeps one drawing's pixels, or their tracing, as artwork; undefined where there is nothing to keep. */
export async function drawingOf(
  pixels: PixelImage,
  { dpi, steps, palette }: ScanRecipe,
  blobs: Blobs,
): Promise<Drawing | undefined> {
  const own = steps.cut ? trimToDrawing(pixels) : pixels;
  const unit = 1 / perMillimetre(dpi);
  if (steps.trace) {
    const artwork = traceDrawing(own, perMillimetre(dpi), steps.trace);
    return artwork && keptDrawing(artwork, blobs, unit);
  }
  if (!drawnBox(own)) return undefined;
  const view = { x: 0, y: 0, width: own.width, height: own.height };
  const artwork: Artwork = {
    version: 1,
    view,
    nodes: [{ kind: 'picture', blob: await keepPixels(own, blobs, dpi), ...view }],
  };
  return keptDrawing(palette ? withPalette(artwork, palette) : artwork, blobs, unit);
}

export function nothingLeft(): Problem {
  return new Problem(
    422,
    'Nothing left',
    'These steps leave nothing of the picture. Nothing was changed; lower the tolerance or the size of specks.',
  );
}
