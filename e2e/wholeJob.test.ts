import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import { By, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import {
  alike,
  cellOnScreen,
  click,
  drag,
  middleOf,
  settledShot,
  type,
  waitForText,
  waitUntilSaved,
} from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const PINK = [0xc0, 0x20, 0x6a] as const;
const GROUND = [0xf2, 0xee, 0xe4] as const;

const page = useStudio();

it('goes from a new design to a tile on disk, as a designer would', async () => {
  const { driver } = page;
  await page.goTo('/');
  await click(driver, 'button', 'New design');
  await type(driver, 'Name', 'Tide marks', false);
  await click(driver, 'radio', 'Half-drop');
  await type(driver, 'Cell width', '20cm', true);
  await type(driver, 'Cell height', '6in + 7.6mm', true);
  await click(driver, 'button', 'Create');

  // A motif from a file.
  await driver.wait(until.elementLocated(By.css('[data-cloth]')));
  await driver
    .findElement(By.css('input[type=file]'))
    .sendKeys(fileURLToPath(new URL('./files/tile.svg', import.meta.url)));
  await driver.wait(until.elementLocated(By.css('button[data-motif]')));

  // From the tray onto the cell, then by one of its appearances across the right edge.
  const cell = await cellOnScreen(driver);
  const mm = (n: number): number => n * cell.scale;
  const start = { x: cell.left + mm(100), y: cell.top + mm(40) };
  await drag(driver, await middleOf(driver, 'button[data-motif]'), start);
  let screen = await settledShot(driver);
  expect(alike(screen.at(start.x, start.y), PINK)).toBe(true);
  await drag(driver, start, { x: cell.right, y: start.y });
  screen = await settledShot(driver);

  // Whole on both sides of the right edge; on the left it enters half a cell lower, and nowhere else.
  const inside = mm(12);
  const halfLower = start.y + mm(80);
  expect(alike(screen.at(cell.right - inside, start.y), PINK)).toBe(true);
  expect(alike(screen.at(cell.right + inside, start.y), PINK)).toBe(true);
  expect(alike(screen.at(cell.left + inside, halfLower), PINK)).toBe(true);
  expect(alike(screen.at(cell.left - inside, halfLower), PINK)).toBe(true);
  expect(alike(screen.at(cell.left + inside, start.y), GROUND)).toBe(true);
  expect(alike(screen.at(cell.right + inside, halfLower), GROUND)).toBe(true);
  expect(alike(screen.at(start.x, start.y), GROUND)).toBe(true);

  await waitUntilSaved(driver);
  await click(driver, 'button', 'Save swatch');
  await type(driver, 'Name of the swatch', 'Tide marks, pink', false);
  await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']")).click();
  await waitForText(driver, '“Tide marks, pink” is in the swatch book.');

  // Found again after everything was loaded anew.
  await page.goTo('/swatches');
  await click(driver, 'link', 'Tide marks, pink');
  await click(driver, 'button', 'Export');
  await type(driver, 'Dots per inch', '127', true);
  const plan = await driver.findElement(By.css('[data-plan]')).getText();
  // 200 × 160 mm at 5 px a mm: two cells side by side make the straight unit.
  expect(plan).toContain('2000 × 800 px');
  expect(plan).toContain('Whole pixels fit the cell exactly.');
  await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']")).click();
  const file = await page.downloaded('.png');
  expect(basename(file)).toBe('Tide marks, pink 2000x800.png');
  const png = readFileSync(file);
  const metadata = await sharp(png).metadata();
  expect([metadata.width, metadata.height, metadata.density]).toEqual([2000, 800, 127]);
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number): number[] => [
    ...data.subarray((((y + 800) % 800) * info.width + ((x + 2000) % 2000)) * 3).subarray(0, 3),
  ];
  // The motif's middle lies on the right edge, 40 mm down, to the pixel that the hand chose.
  const near = Math.round(((start.y - cell.top) / cell.scale) * 5);
  expect(alike(at(1000 - 60, near), PINK, 1)).toBe(true);
  expect(alike(at(1000 + 60, near), PINK, 1)).toBe(true);
  expect(alike(at(60, near + 400), PINK, 1)).toBe(true);
  expect(alike(at(-60, near + 400), PINK, 1)).toBe(true);
  expect(alike(at(60, near), GROUND, 1)).toBe(true);
});
