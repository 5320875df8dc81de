import { By } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import type { Spot } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';
import { buildFigure, createShape, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'polka dots, in a rectangle, a circle and a drawn outline');
const { picture, saved } = tryOnHands(page);

/** Creates the shape that is chosen. @returns its picture */
async function create(name: string): ReturnType<typeof picture> {
  await createShape(page, walk, name);
  return picture();
}

/*
 * 1. New design. 2. Create: a half-drop is offered first. 3. New motif. 4. Build a shape. 5. Dot. 6. Create motif.
 * 7. Try-on. 8. Change product. 9. Create shape: a rectangle is offered first. 10. Change product. 11. Circle. 12. Create shape.
 * 13. Change product. 14. Outline. 15. The outline. 16. Create shape.
 */
it('polka dots fill a rectangle, a circle and an outline drawn by hand, as large in each', async () => {
  const { driver } = page;
  await page.goTo('/');
  await walk.press('button', 'New design');
  await walk.press('button', 'Create');
  await page.find('[data-cell]');
  await buildFigure(page, walk, 'Dot');

  await walk.press('link', 'Try-on');
  await picture();
  await walk.press('button', 'Change product');
  const rectangle = await create('A4');
  const backdrop = [0xeb, 0xe6, 0xda].join();
  const corners = ({ at, width, height }: typeof rectangle): string[] =>
    [at(4, 4), at(width - 5, 4), at(4, height - 5), at(width - 5, height - 5)].map((colour) => colour.join());
  expect(corners(rectangle)).not.toContain(backdrop);

  await walk.press('button', 'Change product');
  await walk.press('radio', 'Circle');
  const circle = await create('Ellipse 210');
  expect(corners(circle)).toEqual(Array.from({ length: 4 }, () => backdrop));
  expect(circle.at(circle.width >> 1, Math.round(circle.height * 0.1)).join()).not.toBe(backdrop);

  await walk.press('button', 'Change product');
  await walk.press('radio', 'Outline');
  expect(await (await driver.findElement(By.xpath("//button[.='Create shape']"))).isEnabled()).toBe(false);
  // A triangle, drawn in one go: the hand goes to each corner.
  const pad = await (await page.find('[data-outline]')).getRect();
  const at = (x: number, y: number): Spot => ({ x: pad.x + pad.width * x, y: pad.y + pad.height * y });
  await walk.stroke([at(0.5, 0.1), at(0.8, 0.9), at(0.2, 0.9), at(0.5, 0.12)]);
  await page.find('[data-outline="drawn"]');
  const triangle = await create('Outline');
  expect([triangle.at(4, 4).join(), triangle.at(triangle.width - 5, 4).join()]).toEqual([backdrop, backdrop]);
  const along = (y: number): number => {
    let cloth = 0;
    for (let x = 0; x < triangle.width; x += 1)
      if (triangle.at(x, Math.round(triangle.height * y)).join() !== backdrop) cloth += 1 / triangle.width;
    return cloth;
  };
  // Wider and wider downwards.
  expect(along(0.3)).toBeGreaterThan(0.1);
  expect(along(0.5)).toBeGreaterThan(along(0.3) + 0.1);
  expect(along(0.7)).toBeGreaterThan(along(0.5) + 0.1);
  expect((await saved()).scale).toBe(1);
});
