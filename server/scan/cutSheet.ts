import { cutSheet as cut, drawingPixels } from '../../core/scan/cut.ts';
import { perMillimetre } from '../../core/scan/clean.ts';
import { Blobs } from '../store/blobs.ts';
import type { CutDrawing, CutTask, TaskHands } from '../work/tasks.ts';
import { cleanedSheet, drawingOf, nothingLeft } from './scanDrawing.ts';

/** Cleans a sheet once and makes a drawing of every part of it; a sheet that is not cut is one drawing. @throws Problem */
export async function cutSheet({ recipe, blobs: folder }: CutTask, hands: TaskHands): Promise<readonly CutDrawing[]> {
  const blobs = new Blobs(folder);
  const perMm = perMillimetre(recipe.dpi);
  const sheet = await cleanedSheet(recipe, blobs, hands);
  if (!recipe.steps.cut) return [{ recipe: { ...recipe, drawing: null }, drawing: await drawingOf(sheet, recipe, blobs) }];
  const parts = cut(sheet, perMm, recipe.steps.cut);
  const wanted = parts.drawings.filter(({ isLeftOut }) => !isLeftOut);
  if (wanted.length === 0) throw nothingLeft();
  const made: CutDrawing[] = [];
  for (const [n, part] of wanted.entries()) {
    hands.check();
    const own = { ...recipe, drawing: part.anchor };
    made.push({ recipe: own, drawing: await drawingOf(drawingPixels(sheet, parts, part), own, blobs) });
    hands.progress(0.65 + (0.35 * (n + 1)) / wanted.length);
  }
  return made;
}
