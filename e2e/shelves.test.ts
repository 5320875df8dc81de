import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, expect, it } from 'vitest';
import { click, press, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { removeFolder } from '../server/testing/folders.ts';

const page = useStudio({ samples: true });
const folder = mkdtempSync(join(tmpdir(), 'hevrel-shelves-'));
afterAll(() => removeFolder(folder));

async function openShelves(): Promise<void> {
  await page.goTo('/designs/low-tide-herring-run');
  await page.driver.wait(until.elementLocated(By.css('[data-cell]')));
  await click(page.driver, 'button', 'Colour');
  await (await page.driver.findElement(By.xpath('//summary[normalize-space()="Ink shelves"]'))).click();
}

const file = (name: string, content: string | Buffer): string => {
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};

const cell = (ink: string, colourway: string) => page.find(`[aria-label^="${ink} in ${colourway}:"]`);
const colourOf = async (ink: string, colourway: string): Promise<string> =>
  (await (await cell(ink, colourway)).getAttribute('data-cell-colour')) ?? '';

it('imports a shelf, gives an ink one of its colours, and exports it again to the digit', async () => {
  const { driver } = page;
  await openShelves();
  await (
    await page.find('input[aria-label="Import a shelf"]')
  ).sendKeys(file('Pier.csv', 'name,colour\nRust,#a04a2c\nVerdigris,#4f8a7b\n'));
  await page.find('[aria-label="Pier"]');
  await click(driver, 'button', 'Change the ink Indigo');
  await click(driver, 'button', 'Verdigris #4f8a7b');
  await waitForText(driver, 'Saved');
  await page.choose('What to do with Pier', 'Export as Design tokens');
  const tokens = JSON.parse(readFileSync(await page.downloaded('Pier.json'), 'utf8')) as Record<string, unknown>;
  expect(tokens).toMatchObject({ Pier: { $type: 'color', Verdigris: { $value: { hex: '#4f8a7b' } } } });
  await click(driver, 'button', 'Table');
  expect(await colourOf('Indigo', 'Base')).toBe('#4f8a7b');

  // A column takes a shelf’s colours, as they are; Alt and an arrow swap two cells.
  await page.choose('Fill Base from a shelf', 'Harbour at dusk');
  const dusk = ['#f3d9b4', '#e9a13b', '#c7645c', '#7d5a7e', '#2f5d62', '#1b2136'];
  const [ground, indigo] = [await colourOf('Ground', 'Base'), await colourOf('Indigo', 'Base')];
  expect(dusk).toContain(ground);
  expect(dusk).toContain(indigo);
  await (await cell('Ground', 'Base')).click();
  await press(driver, Key.ALT, Key.ARROW_DOWN);
  expect([await colourOf('Ground', 'Base'), await colourOf('Indigo', 'Base')]).toEqual([indigo, ground]);
  await click(driver, 'button', 'Move Ground down');
  const rows = await driver.findElements(By.css('tbody th input'));
  expect(await rows[1]?.getAttribute('value')).toBe('Ground');
});

it('says what is wrong with a broken shelf, and lifts a palette from a picture', async () => {
  const { driver } = page;
  await openShelves();
  await (await page.find('input[aria-label="Import a shelf"]')).sendKeys(file('broken.json', '{"a": '));
  await waitForText(driver, '“broken.json” could not be read: It is not JSON. Nothing was added; choose another file.');
  const half = { width: 40, height: 40, channels: 3 as const };
  const picture = await sharp({ create: { ...half, height: 60, background: '#1f5f7f' } })
    .composite([{ input: { create: { ...half, height: 15, background: '#e8dcc0' } }, top: 0, left: 0 }])
    .png()
    .toBuffer();
  await (await page.find('input[aria-label="From a picture"]')).sendKeys(file('Shore.png', picture));
  await page.find('[aria-label="#1F5F7F: 75.0 %"]');
  await page.find('[aria-label="#E8DCC0: 25.0 %"]');
  await click(driver, 'button', 'Keep as a shelf');
  await page.find('[aria-label="Shore"]');
  await page.choose('What to do with Shore', 'Delete');
  await waitForText(driver, 'Deleted “Shore”.');
  expect(await driver.findElements(By.css('[aria-label="Shore"]'))).toHaveLength(0);
  await click(driver, 'button', 'Put it back');
  await page.find('[aria-label="Shore"]');
});
