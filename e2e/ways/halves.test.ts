import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import { cellOnScreen, settled, type Spot, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { beginSquare, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'drawn by hand, halves swapped');

/*
 * 1. New design. 2. Square. 3. Create. 4. Draw. 5. to 7. Three strokes in the middle. 8. Finish.
 * 9. Repeat. 10. Swap halves. 11. Draw. 12. and 13. Two strokes where the edges were. 14. Finish. 15. Export. 16. Export.
 */
it('what is drawn by hand has its halves swapped, and is drawn on where its edges were', async () => {
  const { driver } = page;
  await beginSquare(page, walk);
  const cell = await cellOnScreen(driver);
  const at = (x: number, y: number): Spot => ({ x: cell.left + x * cell.scale, y: cell.top + y * cell.scale });
  await walk.press('button', 'Draw');
  await walk.drag(at(80, 80), at(160, 80));
  await walk.drag(at(80, 120), at(160, 120));
  await walk.drag(at(80, 160), at(160, 160));
  // At once: what is being made is swapped with the rest.
  await walk.press('button', 'Finish');
  await walk.press('button', 'Repeat');
  await walk.press('button', 'Swap halves');
  await waitUntilSaved(driver);
  await walk.press('button', 'Draw');
  await walk.drag(at(90, 100), at(150, 100));
  await walk.drag(at(90, 140), at(150, 140));
  await walk.press('button', 'Finish');
  await settled(driver);
  await walk.press('button', 'Export');
  await walk.confirm('Export PNG');

  const { data, info } = await sharp(readFileSync(await page.downloaded('.png')))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [width, height] = [info.width, info.height];
  const isDrawn = (x: number, y: number): boolean => {
    const pixel = (u: number, v: number): number =>
      3 * ((Math.round(v * height) % height) * width + Math.round(u * width));
    const [here, ground] = [pixel(x / 240, y / 240), pixel(0.5, 0.25)];
    return [0, 1, 2].some((c) => Math.abs((data[here + c] as number) - (data[ground + c] as number)) > 30);
  };
  // The first three lie across the corner now, and the last two where they were drawn.
  for (const y of [200, 0, 40]) for (const x of [210, 30]) expect([x, y, isDrawn(x, y)]).toEqual([x, y, true]);
  for (const y of [100, 140]) expect([y, isDrawn(120, y)]).toEqual([y, true]);
  for (const y of [80, 120, 160]) expect([y, isDrawn(120, y)]).toEqual([y, false]);
});
