import type { ScanRecipe } from '../../core/recipe/index.ts';
import { type CutOut, cutOut, type CutSheet, cutSheet as cut, perMillimetre } from '../../core/scan/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { CutDrawing, CutOutcome, CutTask, TaskContext } from '../work/tasks.ts';
import { cleanedSheet, drawingOf, nothingLeft } from './scanDrawing.ts';

/** Cleans a sheet once and makes a drawing of every part of it; a sheet that is not cut is one drawing. @throws Problem */
export async function cutSheet({ recipe, blobs: folder }: CutTask, context: TaskContext): Promise<CutOutcome> {
  const blobs = new Blobs(folder);
  const perMm = perMillimetre(recipe.dpi);
  const sheet = await cleanedSheet(recipe, blobs, context);
  const made: CutDrawing[] = [];
  const make = async ({ pixels, corner }: CutOut, own: ScanRecipe): Promise<void> => {
    const drawing = await drawingOf(pixels, own, blobs);
    const middle = { x: (corner.x + pixels.width / 2) / perMm, y: (corner.y + pixels.height / 2) / perMm };
    if (drawing) made.push({ recipe: own, drawing, middle });
  };
  const parts = recipe.steps.cut && cut(sheet, perMm, recipe.steps.cut);
  const wanted = parts?.drawings.filter(({ isLeftOut }) => !isLeftOut) ?? [];
  if (!parts) await make({ pixels: sheet, corner: { x: 0, y: 0 } }, { ...recipe, drawing: null });
  for (const [n, part] of wanted.entries()) {
    await make(cutOut(sheet, parts as CutSheet, part), { ...recipe, drawing: part.anchor });
    context.progress(0.65 + (0.35 * (n + 1)) / wanted.length);
  }
  // A speck that traces to nothing is left out; a sheet of nothing is refused.
  if (made.length === 0) throw nothingLeft();
  return { drawings: made, page: { width: sheet.width / perMm, height: sheet.height / perMm } };
}
