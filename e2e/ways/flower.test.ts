import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import type { StoredDesign } from '../../contract/index.ts';
import { cellOnScreen, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';
import { beginSquare, createShape, inTheTray, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'flower at corners and centre');
const { picture, saved } = tryOnHands(page);

/*
 * 1. New design. 2. Square. 3. Create. 4. A flower onto a corner. 5. One in the middle. 6. Four repeats.
 * 7. Export. 8. Export. 9. Escape. 10. Try-on. 11. Change product. 12. Heart. 13. Create shape. 14. Half as large. 15. Twice as large.
 */
it('a flower at the corners and in the centre is seen four times, and in a heart at three scales', async () => {
  const { driver } = page;
  await beginSquare(page, walk);
  const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1);
  const cell = await cellOnScreen(driver);
  // Two pixels beside it: with Ctrl held, the corner takes it.
  await walk.drag(
    await inTheTray(page, 0),
    {
      x: cell.right + 2,
      y: cell.bottom - 2,
    },
    Key.CONTROL,
  );
  await walk.pressAt(await inTheTray(page, 0));
  await walk.press('button', 'Four');
  await waitUntilSaved(driver);
  const { design } = (await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign;
  const { width, height } = design.repeat;
  const [corner, middle] = design.placements;
  // On the corner and in the middle to the bit, wherever the corner lies on the plane.
  expect([(corner?.x ?? 1) % width, (corner?.y ?? 1) % height]).toEqual([0, 0]);
  expect([middle?.x, middle?.y]).toEqual([width / 2, height / 2]);

  await walk.press('button', 'Export');
  await walk.confirm('Export PNG');
  const { data, info } = await sharp(readFileSync(await page.downloaded('.png')))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  // What lies at the corner is what lies in the middle, half a tile on both ways: to half a pixel, where their number is odd.
  const at = (u: number, v: number): number =>
    3 * (((v + info.height) % info.height) * info.width + ((u + info.width) % info.width));
  let [apart, drawn] = [0, 0];
  for (let y = -60; y < 60; y += 1)
    for (let x = -60; x < 60; x += 1)
      for (let c = 0; c < 3; c += 1) {
        const here = data[at(x, y) + c] as number;
        const there = data[at((info.width >> 1) + x, (info.height >> 1) + y) + c] as number;
        apart += Math.abs(here - there) / (120 * 120 * 3);
        drawn += Math.abs(here - (data[at(info.width >> 2, 0) + c] as number)) / (120 * 120 * 3);
      }
  expect(drawn).toBeGreaterThan(40);
  expect(apart).toBeLessThan(drawn / 10);

  await walk.key(Key.ESCAPE);
  await walk.press('link', 'Try-on');
  await picture();
  await walk.press('button', 'Change product');
  await walk.press('radio', 'Heart');
  await createShape(page, walk, 'Heart');
  const whole = await picture();
  const backdrop = whole.at(2, 2).join();
  // In the heart there is cloth, in its corners there is none.
  expect(whole.at(Math.round(whole.width / 2), Math.round(whole.height / 2)).join()).not.toBe(backdrop);
  expect(whole.at(2, whole.height - 3).join()).toBe(backdrop);
  for (const percent of [50, 200]) {
    await walk.type('Scale', String(percent));
    await picture();
    expect((await saved()).scale).toBe(percent / 100);
  }
});
