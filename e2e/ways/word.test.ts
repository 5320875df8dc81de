import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import { cellOnScreen, settled, waitForText } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';
import { beginSquare, createShape, inTheTray, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'corners, edges and a word, in a shape turned');
const { picture, untilSaved } = tryOnHands(page);
const SIDE = 1000;

/*
 * 1. New design. 2. Square. 3. Create. 4. A motif onto a corner. 5. One over the right edge. 6. One over the lower edge.
 * 7. New motif. 8. Letter a word. 9. The word. 10. Create motif.
 * 11. Export. 12. By pixels. 13. 1000. 14. Export. 15. Escape. 16. Try-on. 17. Change product. 18. Heart. 19. Create shape. 20. Turned.
 */
it('motifs on corners and edges and a word in the middle go out with 1000 pixels, and fill a heart at an angle', async () => {
  const { driver } = page;
  await beginSquare(page, walk);
  const cell = await cellOnScreen(driver);
  await walk.drag(await inTheTray(page, 0), { x: cell.right + 2, y: cell.bottom - 2 }, Key.CONTROL);
  await walk.drag(await inTheTray(page, 1), { x: cell.right, y: (cell.top + cell.bottom) / 2 });
  await walk.drag(await inTheTray(page, 2), { x: (cell.left + cell.right) / 2, y: cell.bottom });
  await walk.press('button', 'New motif');
  await walk.pick('Letter a word');
  await walk.type('Text', 'Slack water');
  await walk.press('button', 'Create motif');
  await waitForText(driver, 'Several copies');
  await settled(driver);

  await walk.press('button', 'Export');
  await walk.press('radio', 'Pixel width');
  await walk.type('Width in pixels', String(SIDE));
  await walk.confirm('Export PNG');
  const { data, info } = await sharp(readFileSync(await page.downloaded('.png')))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([SIDE, SIDE]);
  // Where nothing lies: a quarter of the cell from a corner.
  const ground = 3 * ((SIDE >> 2) * SIDE + (SIDE >> 2));
  const drawn = (x: number, y: number): boolean => {
    const o = 3 * (((y + SIDE) % SIDE) * SIDE + ((x + SIDE) % SIDE));
    return [0, 1, 2].some((c) => data[o + c] !== data[ground + c]);
  };
  /** How much of a square about a place is drawn. */
  const about = (x: number, y: number): number => {
    let count = 0;
    for (let v = -40; v < 40; v += 1) for (let u = -40; u < 40; u += 1) if (drawn(x + u, y + v)) count += 1;
    return count / 6400;
  };
  for (const [x, y] of [
    [0, 0],
    [0, SIDE / 2],
    [SIDE / 2, 0],
    [SIDE / 2, SIDE / 2],
  ] as const)
    expect([x, y, about(x, y) > 0.1]).toEqual([x, y, true]);

  await walk.key(Key.ESCAPE);
  await walk.press('link', 'Try-on');
  await picture();
  await walk.press('button', 'Change product');
  await walk.press('radio', 'Heart');
  await createShape(page, walk, 'Heart');
  const before = await picture();
  await walk.type('Rotation', '30');
  await untilSaved(({ rotation }) => rotation === 30);
  await driver.wait(
    async () => Buffer.compare((await picture()).data, before.data) !== 0,
    PATIENCE,
    'the pattern was not turned',
  );
});
