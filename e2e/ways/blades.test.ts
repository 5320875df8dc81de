import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import type { StoredDesign } from '../../contract/index.ts';
import { PATIENCE } from '../support/browser.ts';
import { waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';
import { beginSquare, buildFigure, takeDownload, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'blades tossed, as game textures, on a floor');
const { picture } = tryOnHands(page);
const BLEED = 4;

/*
 * 1. New design. 2. Square. 3. Create. 4. New motif. 5. Build a shape. 6. Blade. 7. Create motif.
 * 8. Toss. 9. The blade. 10. Toss: flipped at random is offered first. 11. The holes. 12. Fill them.
 * 13. Export. 14. A texture. 15. Of 128 pixels. 16. Bleed. 17. Export. 18. Another. 19. Of 512 pixels. 20. Export.
 * 21. Escape. 22. Try-on. 23. Change product. 24. The floor.
 */
it('blades are tossed and flipped, their holes filled, and go out as textures with bleed and onto a floor', async () => {
  const { driver } = page;
  await beginSquare(page, walk);
  const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1);
  const stored = async (): Promise<StoredDesign> => {
    await waitUntilSaved(driver);
    return (await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign;
  };
  await buildFigure(page, walk, 'Blade');
  await walk.press('button', 'Toss');
  await walk.press('button', 'Add selected');
  await walk.press('button', 'Toss the motifs');
  await page.find('[data-toss="still"]');
  const { placements } = (await stored()).design;
  expect(placements.length).toBeGreaterThan(5);
  expect(new Set(placements.map(({ flipped }) => flipped)).size).toBe(2);
  await walk.press('button', 'See and fill the holes');
  await driver.wait(
    async () => Number(await (await page.find('[data-holes]')).getAttribute('data-holes')) > 0,
    PATIENCE,
    'no holes were found',
  );
  await walk.press('button', 'Fill all of these');
  await driver.wait(
    async () => (await stored()).design.placements.length > placements.length,
    PATIENCE,
    'the holes were never filled',
  );

  await walk.press('button', 'Export');
  await walk.press('radio', 'Game texture');
  await walk.choose('Longer side', '128 px');
  await walk.type('Bleed on each edge', String(BLEED));
  await walk.confirm('Export PNG');
  const small = await takeDownload(page, '.png');
  await walk.press('button', 'Export another');
  await walk.choose('Longer side', '512 px');
  await walk.confirm('Export PNG');
  const large = await takeDownload(page, '.png');
  for (const [file, side] of [
    [small, 128],
    [large, 512],
  ] as const) {
    const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const whole = side + 2 * BLEED;
    expect([info.width, info.height]).toEqual([whole, whole]);
    // Each pixel is the one a side farther on: the bleed is the texture itself.
    const at = (x: number, y: number): string => data.subarray(4 * (y * whole + x), 4 * (y * whole + x) + 4).join();
    let apart = 0;
    for (let n = 0; n < whole; n += 1)
      for (let b = 0; b < 2 * BLEED; b += 1) {
        if (at(b, n) !== at(b + side, n)) apart += 1;
        if (at(n, b) !== at(n, b + side)) apart += 1;
      }
    expect(apart).toBe(0);
    expect(new Set(Array.from({ length: side }, (_, n) => at(n, side >> 1))).size).toBeGreaterThan(3);
  }

  await walk.key(Key.ESCAPE);
  await walk.press('link', 'Try-on');
  await picture();
  await walk.press('button', 'Change product');
  const floor = By.xpath("//div[@role='dialog']//button[.//span[.='Floor of game tiles']]");
  await walk.pressOn(await driver.wait(until.elementLocated(floor), PATIENCE, 'there is no floor'));
  await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Floor of game tiles']")), PATIENCE, 'no floor');
  const { width, height, at } = await picture();
  expect(at(width >> 1, Math.round(height * 0.8))).toHaveLength(3);
});
