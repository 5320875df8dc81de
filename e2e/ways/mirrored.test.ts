import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { By, until } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import type { StoredDesign } from '../../contract/index.ts';
import { PATIENCE } from '../support/browser.ts';
import { cellOnScreen, settled, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';
import { beginSquare, inTheTray, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'mirrored duplicate, a part hidden, on a card at an angle');
const { picture } = tryOnHands(page);

/*
 * 1. New design. 2. Square. 3. Create. 4. A motif into the middle. 5. Duplicate. 6. Mirror.
 * 7. Change the motif. 8. Hide a part. 9. Its right half. 10. Finish.
 * 11. Try-on. 12. Change product. 13. The card. 14. Export. 15. JPEG. 16. Export.
 */
it('a motif and its mirror image, a part of it hidden, lie on a card at an angle', async () => {
  const { driver } = page;
  await beginSquare(page, walk);
  const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1);
  await walk.pressAt(await inTheTray(page, 0));
  await walk.press('button', 'Duplicate');
  await walk.press('button', 'Mirror');
  await walk.press('button', 'Change the motif');
  await walk.pick('Hide a part');
  await page.find('[data-areas="0"]');
  await settled(driver);
  const cell = await cellOnScreen(driver);
  const middle = { x: (cell.left + cell.right) / 2, y: (cell.top + cell.bottom) / 2 };
  await walk.drag({ x: middle.x, y: cell.top + 4 }, { x: cell.right - 4, y: cell.bottom - 4 });
  await page.find('[data-areas="1"]');
  await walk.press('button', 'Finish');
  await settled(driver);
  await waitUntilSaved(driver);
  const { design } = (await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign;
  const [first, second] = design.placements;
  expect([first?.x, first?.y]).toEqual([design.repeat.width / 2, design.repeat.height / 2]);
  expect([first?.flipped, second?.flipped]).toEqual([false, true]);

  await walk.press('link', 'Try-on');
  await picture();
  await walk.press('button', 'Change product');
  const card = By.xpath("//div[@role='dialog']//button[.//span[.='Greeting card']]");
  await walk.pressOn(await driver.wait(until.elementLocated(card), PATIENCE, 'there is no card'));
  await picture();
  await walk.press('button', 'Export');
  await walk.press('radio', 'JPEG');
  await walk.confirm('Export');
  const file = sharp(readFileSync(await page.downloaded('.jpg')));
  const { format, hasAlpha } = await file.metadata();
  expect([format, hasAlpha]).toEqual(['jpeg', false]);
});
