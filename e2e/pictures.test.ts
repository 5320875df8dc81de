import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { PATIENCE } from './support/browser.ts';
import { alike, click, clickAt, middleOf, press, settledShot, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { removeFolder } from '../server/testing/folders.ts';

const page = useStudio({ samples: true });
const folder = mkdtempSync(join(tmpdir(), 'hevrel-pictures-'));
afterAll(() => removeFolder(folder));

const rgb = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));

async function openColours(): Promise<void> {
  await page.goTo('/designs/low-tide-rock-pool');
  await page.driver.wait(until.elementLocated(By.css('[data-cell]')));
  await click(page.driver, 'button', 'Colour');
}

/** How much redder than blue the cloth is in the mean, of 255: the anemone is what is red in it. */
async function redness(): Promise<number> {
  const seen = await settledShot(page.driver);
  const { x, y, width, height } = await (await page.find('[data-cloth]')).getRect();
  let [sum, count] = [0, 0];
  for (let v = y + 60; v < y + height - 60; v += 4)
    for (let u = x + 20; u < x + width - 20; u += 4) {
      const [r, , b] = seen.at(u, v);
      sum += r - b;
      count += 1;
    }
  return sum / count;
}

describe('a painted motif', () => {
  it('follows the inks of its palette on the cloth, and one undo brings it back', async () => {
    const { driver } = page;
    await openColours();
    const before = await redness();
    for (const [ink, colour] of [
      ['Madder', '#2f5fb4'],
      ['Shell', '#89b6dd'],
    ] as const) {
      await click(driver, 'button', `Change the ink ${ink}`);
      await type(driver, 'Hex', colour);
      await waitForText(driver, 'Saved');
    }
    await driver.wait(async () => (await redness()) < before - 3, PATIENCE, 'the anemone did not become blue');
    for (let n = 0; n < 2; n++) await (await page.find('button[aria-label^="Undo"]')).click();
    await driver.wait(async () => Math.abs((await redness()) - before) < 0.5, PATIENCE, 'it did not come back');
  });

  it('gets a palette in the drawer, and can be left as it is', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (
      await driver.wait(until.elementLocated(By.xpath("//button[@data-drawer-motif][.//span[text()='Anemone']]")))
    ).click();
    const palette = await page.find('section[aria-label="Palette of the picture"]');
    const inks = async (): Promise<number> =>
      Number(
        (
          (await (
            await driver.findElements(By.css('aside section[aria-label="Inks"] [role="img"]'))
          )[0]?.getAttribute('aria-label')) ?? ''
        ).match(/#/g)?.length ?? 0,
      );
    expect(await inks()).toBe(6);
    await click(driver, 'button', 'Remove the palette');
    await waitForText(driver, 'The picture is printed as it is.');
    expect(await inks()).toBe(0);
    const slider = await palette.findElement(By.css('input[type="range"], [role="slider"]'));
    await slider.sendKeys(Key.HOME, Key.ARROW_RIGHT);
    await driver.wait(
      async () => (await palette.findElements(By.css('[role="img"]'))).length === 4,
      PATIENCE,
      'not four colours',
    );
    await click(driver, 'button', 'Use this palette');
    await driver.wait(async () => (await inks()) === 4, PATIENCE, 'it has no four inks');
  });
});

describe('the dropper', () => {
  it('takes a colour from a motif in the tray, and from the cloth', async () => {
    const { driver } = page;
    await openColours();
    const groundIs = (hex: string) => page.find(`[data-ink="ground"] [title="${hex.toUpperCase()}"]`);
    await click(driver, 'button', 'Change the ink Ground');
    const field = await page.find('input[aria-label="Hex"]');
    const value = async (): Promise<string> => String(await field.getAttribute('value')).toLowerCase();
    const before = await value();
    const cloth = await (await page.find('[data-cloth]')).getRect();
    const seen = await settledShot(driver);
    // Somewhere on the cloth that is not the ground.
    const spots = Array.from({ length: 400 }, (_, n) => ({
      x: cloth.x + 80 + ((n * 37) % (cloth.width - 160)),
      y: cloth.y + 100 + ((n * 53) % (cloth.height - 200)),
    }));
    const spot = spots.find(({ x, y }) => alike(seen.at(x, y), rgb('#566f52'), 2));
    if (!spot) throw new Error('no kelp on the cloth');
    await click(driver, 'button', 'Pick a colour from the cloth or a picture');
    await waitForText(driver, 'Esc cancels.');
    await clickAt(driver, spot);
    await driver.wait(async () => (await value()) === '#566f52', PATIENCE, 'not the colour of the cloth');

    await click(driver, 'button', 'Pick a colour from the cloth or a picture');
    await clickAt(driver, await middleOf(driver, '[data-motif="low-tide-limpet"] img'));
    await driver.wait(async () => (await value()) !== '#566f52', PATIENCE, 'nothing was taken from the tray');
    expect(await value()).not.toBe(before);
    await groundIs(await value());

    await click(driver, 'button', 'Pick a colour from the cloth or a picture');
    const taken = await value();
    await press(driver, Key.ESCAPE);
    await driver.wait(async () => (await driver.findElements(By.css('[aria-label="Pick a colour"]'))).length === 0);
    expect(await value()).toBe(taken);
  });
});

it('proposes colourways from a photograph, and says where a file is none', async () => {
  const { driver } = page;
  const bands = ['#f3d9b4', '#e9a13b', '#c7645c', '#7d5a7e', '#2f5d62', '#1b2136'];
  const data = Buffer.alloc(60 * 60 * 3);
  for (let at = 0; at < data.length; at += 3) data.set(rgb(bands[Math.floor(at / 3 / 10) % 6] as string), at);
  const photograph = join(folder, 'dusk.png');
  await sharp(data, { raw: { width: 60, height: 60, channels: 3 } }).toFile(photograph);
  writeFileSync(join(folder, 'none.png'), 'no picture');
  await openColours();
  await click(driver, 'button', 'Proposals');
  await click(driver, 'radio', 'Photograph');
  await waitForText(driver, 'Choose a photograph to see its colours on this cloth.');
  const input = await page.find('input[aria-label="Choose a photograph"]');
  await input.sendKeys(join(folder, 'none.png'));
  await waitForText(driver, '“none.png” is not a picture that the browser can show.');
  await input.sendKeys(photograph);
  await page.find('figure[aria-label="3 colours"]');
  await (await page.find('figure[aria-label="6 colours"] button')).click();
  const select = await page.find('select[aria-label="Colourway"]');
  await driver.wait(async () => (await select.getText()).includes('6 colours'), PATIENCE, 'it was not taken');
});
