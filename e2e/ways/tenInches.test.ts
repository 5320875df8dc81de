import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { By } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { cellOnScreen, settled } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { inTheTray, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'ten inches, edges crossed');

/*
 * 1. New design. 2. Square. 3. and 4. Ten inches each way. 5. Create.
 * 6. and 7. A motif over the right edge, another over the lower one.
 * 8. Four repeats. 9. Sixteen. 10. Export. 11. By pixels. 12. 3000. 13. Export.
 */
it('a square of ten inches whose edges are crossed goes out with 3000 pixels', async () => {
  const { driver } = page;
  await page.goTo('/');
  await walk.press('button', 'New design');
  await walk.press('radio', 'Square');
  await walk.type('Cell width', '10in');
  await walk.type('Cell height', '10in');
  await walk.press('button', 'Create');
  await page.find('[data-cell]');
  await settled(driver);
  const cell = await cellOnScreen(driver);
  await walk.drag(await inTheTray(page, 0), {
    x: cell.right,
    y: cell.top + 80 * cell.scale,
  });
  await walk.drag(await inTheTray(page, 1), {
    x: cell.left + 90 * cell.scale,
    y: cell.bottom,
  });
  await walk.press('button', 'Four');
  await settled(driver);
  // Two cells each way, and no more than a few.
  const four = await cellOnScreen(driver);
  await walk.press('button', 'Sixteen');
  await settled(driver);
  expect(four.scale / (await cellOnScreen(driver)).scale).toBeCloseTo(2, 1);
  await walk.press('button', 'Export');
  await walk.press('radio', 'Pixel width');
  await walk.type('Width in pixels', '3000');
  expect(await (await page.find('[data-plan]')).getText()).toContain('3000 × 3000 px, 300 dpi');
  await walk.confirm('Export PNG');

  const png = readFileSync(await page.downloaded('.png'));
  expect((await sharp(png).metadata()).density).toBe(300);
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([3000, 3000]);
  /** How much pixels differ from their neighbours along two lines, on the mean, and at how many places there is anything but ground. */
  const between = (at: (n: number, side: 0 | 1) => number): { readonly step: number; readonly drawn: number } => {
    let [step, drawn] = [0, 0];
    for (let n = 0; n < 3000; n += 1) {
      const [a, b] = [3 * at(n, 0), 3 * at(n, 1)];
      for (let c = 0; c < 3; c += 1) step += Math.abs((data[a + c] as number) - (data[b + c] as number)) / 9000;
      if (data[a] !== data[0] || data[a + 1] !== data[1]) drawn += 1;
    }
    return { step, drawn };
  };
  const column = (x: number) => between((n, side) => n * 3000 + ((x + side) % 3000));
  const row = (y: number) => between((n, side) => ((y + side) % 3000) * 3000 + n);
  for (const line of [column, row]) {
    // The last line lies beside the first as any two lie beside each other, and something is drawn there.
    expect(line(2999).drawn).toBeGreaterThan(100);
    expect(line(2999).step).toBeLessThan(2 * Math.max(line(2997).step, line(1).step) + 0.05);
  }
  expect(await driver.findElements(By.css('[role="alert"]'))).toHaveLength(0);
});
