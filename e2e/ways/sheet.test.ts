import { readFileSync } from 'node:fs';
import { PDFDocument } from 'pdf-lib';
import { By, until } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import type { StoredDesign } from '../../contract/index.ts';
import { PATIENCE } from '../support/browser.ts';
import { settled, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'sheet scanned, cut, inside out, on A4');

/*
 * 1. Workshop. 2. Scan a sheet. 3. Scan. 4. Paper outside. 5. Each drawing a motif. 6. Laid out. 7. Make them.
 * 8. Open the design. 9. Repeat. 10. Swap halves. 11. Export. 12. PDF. 13. A page. 14. A4. 15. Export.
 */
it('a sheet is scanned, cut, laid out as it lay, turned inside out and goes onto A4', async () => {
  const { driver } = page;
  await page.goTo('/');
  await walk.press('link', 'Workshop');
  await walk.press('button', 'Scan a sheet');
  await page.find('[role="dialog"] input[name="original"]');
  await walk.confirm('Scan');
  await driver.wait(until.urlMatches(/workshop\/.+/), PATIENCE, 'nothing was scanned');
  await page.find('[data-sheet-table]');
  await walk.press('radio', 'Outside');
  await walk.tick('Each drawing becomes a motif');
  await page.find('[data-drawing]');
  await settled(driver);
  await walk.tick('Lay out as on the page');
  const make = By.xpath("//button[starts-with(normalize-space(), 'Make ')][contains(., ' motifs')]");
  const count = Number(/\d+/.exec(await driver.findElement(make).getText())?.[0]);
  expect(count).toBeGreaterThan(3);
  await walk.pressOn(await driver.findElement(make));
  await walk.press('button', 'Open the design');
  await page.find('[data-cell]');
  await settled(driver);
  const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1);
  const stored = async (): Promise<StoredDesign['design']> => {
    await waitUntilSaved(driver);
    return ((await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign).design;
  };
  const before = await stored();
  const { width, height } = before.repeat;
  expect(before.placements).toHaveLength(count);
  expect([Math.round(width), Math.round(height)]).toEqual([210, 297]);
  for (const { x, y } of before.placements) {
    expect(x > 0 && x < width).toBe(true);
    expect(y > 0 && y < height).toBe(true);
  }
  await walk.press('button', 'Repeat');
  await walk.press('button', 'Swap halves');
  const after = await stored();
  after.placements.forEach(({ x, y }, n) => {
    const was = before.placements[n] ?? { x: 0, y: 0 };
    const apart = (by: number, side: number): number => Math.abs((((by % side) + side) % side) - side / 2);
    expect(apart(x - was.x, width)).toBeLessThan(1e-6);
    expect(apart(y - was.y, height)).toBeLessThan(1e-6);
  });

  await walk.press('button', 'Export');
  await walk.press('radio', 'PDF');
  await walk.press('radio', 'Page or length');
  await walk.choose('Page', 'A4');
  await walk.confirm('Export PDF');
  const pdf = await PDFDocument.load(readFileSync(await page.downloaded('.pdf')));
  expect(pdf.getPageCount()).toBe(1);
  const size = pdf.getPage(0).getSize();
  const points = (mm: number): number => (mm / 25.4) * 72;
  expect(Math.abs(size.width - points(210))).toBeLessThan(0.1);
  expect(Math.abs(size.height - points(297))).toBeLessThan(0.1);
});
