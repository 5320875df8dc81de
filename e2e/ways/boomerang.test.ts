import sharp, { type Sharp } from 'sharp';
import { expect, it } from 'vitest';
import { cellOnScreen, settled, type Spot } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { takeDownload, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'boomerang by pen, on a page at two scales');

/*
 * 1. New design. 2. Create: a half-drop is offered first. 3. Draw. 4. Pen. 5. Filled.
 * 6. to 9. Two tips, an outer and an inner bend. 10. The first again. 11. Finish.
 * 12. Colour. 13. No ground. 14. Export. 15. A page. 16. A4. 17. White behind. 18. Export.
 * 19. Another. 20. Twice as large. 21. Export.
 */
it('a boomerang drawn with the pen fills A4 as drawn and twice as large, with white behind', async () => {
  const { driver } = page;
  await page.goTo('/');
  await walk.press('button', 'New design');
  await walk.press('button', 'Create');
  await page.find('[data-cell]');
  await walk.press('button', 'Draw');
  await walk.press('radio', 'Pen');
  await walk.tick('Fill the path');
  await settled(driver);
  const cell = await cellOnScreen(driver);
  const at = (x: number, y: number): Spot => ({
    x: Math.round(cell.left + x * cell.scale),
    y: Math.round(cell.top + y * cell.scale),
  });
  await walk.pressAt(at(60, 170));
  await walk.drag(at(120, 70), at(170, 70));
  await walk.pressAt(at(180, 170));
  await walk.drag(at(120, 120), at(95, 120));
  await walk.pressAt(at(60, 170));
  await walk.press('button', 'Finish');
  await settled(driver);
  await walk.press('button', 'Colour');
  await walk.choose('Kind of ground', 'None');
  await walk.press('button', 'Export');
  await walk.press('radio', 'Page or length');
  await walk.choose('Page', 'A4');
  await walk.press('button', 'Colour behind it');
  await walk.confirm('Export PNG');
  const whole = await takeDownload(page, '.png');
  await walk.press('button', 'Export another');
  await walk.type('Scale', '200');
  await walk.confirm('Export PNG');
  const double = await takeDownload(page, '.png');

  for (const file of [whole, double]) {
    const { width, height, density, hasAlpha } = await sharp(file).metadata();
    expect({ width, height, density }).toEqual({ width: 2480, height: 3508, density: 300 });
    const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    let solid = true;
    for (let o = 3; o < data.length; o += 4) solid &&= data[o] === 255;
    expect([solid, hasAlpha, info.channels]).toEqual([true, false, 4]);
  }
  const raw = (image: Sharp): Promise<Buffer> => image.removeAlpha().raw().toBuffer();
  const quarter = await raw(sharp(whole).extract({ left: 0, top: 0, width: 1240, height: 1754 }));
  const halved = await raw(sharp(double).resize(1240, 1754, { kernel: 'linear' }));
  let [apart, drawn] = [0, 0];
  for (let o = 0; o < quarter.length; o += 1) {
    apart += Math.abs((quarter[o] as number) - (halved[o] as number)) / quarter.length;
    drawn += (255 - (quarter[o] as number)) / quarter.length;
  }
  expect(drawn).toBeGreaterThan(15);
  expect(apart).toBeLessThan(1);
});
