import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from './support/browser.ts';
import { alike, click, drag, middleOf, press, settledShot, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });
const DESIGN = '/designs/low-tide-herring-run';

/** Opens the colours of a design. */
async function open(path = DESIGN): Promise<void> {
  await page.goTo(path);
  await page.driver.wait(until.elementLocated(By.css('[data-cell]')));
  await click(page.driver, 'button', 'Colour');
}

const rgb = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));

/** The share of the cloth's pixels that have a colour. */
async function shareOf(hex: string): Promise<number> {
  const { driver } = page;
  const { x, y, width, height } = await (await page.find('[data-cloth]')).getRect();
  const seen = await settledShot(driver);
  let count = 0;
  let all = 0;
  for (let v = y + 60; v < y + height - 60; v += 3)
    for (let u = x + 20; u < x + width - 20; u += 3) {
      all += 1;
      if (alike(seen.at(u, v), rgb(hex), 2)) count += 1;
    }
  return count / all;
}

const cell = (ink: string, colourway: string) => page.find(`[aria-label^="${ink} in ${colourway}:"]`);

/** Gives an ink another colour in a colourway of the table. */
async function setCell(ink: string, colourway: string, hex: string): Promise<void> {
  await (await cell(ink, colourway)).click();
  await waitForText(page.driver, `${ink} in ${colourway}`);
  await type(page.driver, 'Hex', hex);
  await page.find(`[aria-label="${ink} in ${colourway}: ${hex}"]`);
}

describe('the table of colourways', () => {
  it('takes new colours for three inks and keeps the locked one, on the cloth too', async () => {
    const { driver } = page;
    await open();
    await click(driver, 'button', 'Table');
    const chalk = (await (await cell('Chalk', 'Base')).getText()).toLowerCase();
    await (await page.find('[aria-label="Colourways"] [aria-label^="Lock Chalk"]')).click();
    // Locked, it has its colour in every colourway.
    expect((await (await cell('Chalk', 'Night tide')).getText()).toLowerCase()).toBe(chalk);
    await click(driver, 'button', 'Duplicate Base');
    await setCell('Ground', 'Base 2', '#204a3a');
    await setCell('Indigo', 'Base 2', '#e8b040');
    await setCell('Shell', 'Base 2', '#c03060');
    await (await cell('Chalk', 'Base 2')).click();
    await waitForText(driver, 'This ink is locked: it has this colour in every colourway.');
    expect((await (await cell('Chalk', 'Base 2')).getText()).toLowerCase()).toBe(chalk);

    // Its column's own button: the second of those that read so.
    await (await driver.findElements(By.xpath("//button[normalize-space()='Make current']")))[0]?.click();
    await click(driver, 'button', 'Back to the cloth');
    expect(await shareOf('#204a3a')).toBeGreaterThan(0.3);
    expect(await shareOf('#e8b040')).toBeGreaterThan(0.03);
    await page.choose('Colourway', 'Base');
    expect(await shareOf('#204a3a')).toBe(0);
  });

  it('swaps two cells that are dragged onto each other, and undoes that', async () => {
    const { driver } = page;
    await open('/designs/low-tide-moorings');
    await click(driver, 'button', 'Table');
    const before = await Promise.all([
      (await cell('Indigo', 'Base')).getText(),
      (await cell('Madder', 'Storm light')).getText(),
    ]);
    const middle = (ink: string, colourway: string) => middleOf(driver, `[aria-label^="${ink} in ${colourway}:"]`);
    await drag(driver, await middle('Indigo', 'Base'), await middle('Madder', 'Storm light'));
    await page.find(`[aria-label="Indigo in Base: ${before[1]?.toLowerCase()}"]`);
    await page.find(`[aria-label="Madder in Storm light: ${before[0]?.toLowerCase()}"]`);
    await click(driver, 'button', 'Back to the cloth');
    await press(driver, Key.CONTROL, 'z');
    await click(driver, 'button', 'Table');
    await page.find(`[aria-label="Indigo in Base: ${before[0]?.toLowerCase()}"]`);
  });
});

describe('colourways', () => {
  it('stand side by side, six of them, and the one that is taken is worked in', async () => {
    const { driver } = page;
    await open('/designs/low-tide-moorings');
    await click(driver, 'button', 'Add a colourway');
    await click(driver, 'button', 'Add a colourway');
    await click(driver, 'button', 'Side by side');
    const panes = '[aria-label="Colourways side by side"] figure';
    await driver.wait(async () => (await driver.findElements(By.css(panes))).length === 6, PATIENCE);
    const take = await page.find('figure[aria-label="Night tide"] button');
    await take.click();
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    const select = await page.find('select[aria-label="Colourway"]');
    expect(await select.getAttribute('value')).toBe('night');
    const ground = await page.find('[data-ink="ground"] button[aria-expanded]');
    expect(await shareOf(String(await ground.getAttribute('title')).toLowerCase())).toBeGreaterThan(0.2);
  });

  it('are proposed as live cloth, kept only when taken, and gone after one undo', async () => {
    const { driver } = page;
    await open('/designs/low-tide-rock-pool');
    const count = async (): Promise<number> =>
      (await driver.findElements(By.css('select[aria-label="Colourway"] option'))).length;
    const before = await count();
    await click(driver, 'button', 'Proposals');
    await click(driver, 'radio', 'Harmonies');
    await (await page.find('figure[aria-label="Analogous"] button')).click();
    await driver.wait(async () => (await count()) === before + 1, PATIENCE);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await count()) === before, PATIENCE);
  });

  it('are saved as swatches of their own in one go', async () => {
    const { driver } = page;
    await open('/designs/low-tide-strandline');
    await click(driver, 'button', 'Save swatch');
    await (await driver.findElement(By.xpath("//div[@role='dialog']//option[.='A new swatch']"))).click();
    await type(driver, 'Name of the swatch', 'Strand', false);
    await page.tick('Night tide');
    await page.tick('Low sun');
    await (await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"))).click();
    await waitForText(driver, '3 swatches are in the swatch book.');
    await page.goTo('/swatches');
    for (const name of ['Strand, Base', 'Strand, Night tide', 'Strand, Low sun']) await waitForText(driver, name);
  });
});

describe('an ink', () => {
  it('gets a darker colour from its ramp, one typed in another notation, and is replaced by another everywhere', async () => {
    const { driver } = page;
    await open('/designs/low-tide-flotsam');
    await click(driver, 'button', 'Change the ink Ground');
    const darker = await page.find('[role="group"][aria-label="Darker to lighter"] button:nth-child(2)');
    const hex = String(await darker.getAttribute('aria-label'));
    await darker.click();
    await driver.wait(async () => (await shareOf(hex)) > 0.2, PATIENCE);
    await page.choose('Notation', 'oklch()');
    await type(driver, 'oklch()', 'oklch(0.8 0.4 140)');
    // Beyond sRGB: the nearest of its lightness and hue.
    await page.choose('Notation', 'Hex');
    const field = await page.find('input[aria-label="Hex"]');
    await driver.wait(async () => /^#/.test(String(await field.getAttribute('value'))), PATIENCE);

    const inks = async (): Promise<number> => (await driver.findElements(By.css('[data-ink]'))).length;
    const before = await inks();
    await click(driver, 'button', 'Change the ink Kelp');
    const replace = await page.find('select[aria-label="Replace with"]');
    await replace.findElement(By.xpath("./option[starts-with(normalize-space(), 'Indigo')]")).click();
    await driver.wait(async () => (await inks()) === before - 1, PATIENCE);
  });

  it('is seen in grey, and inks that touch and look alike are listed', async () => {
    const { driver } = page;
    await open();
    await (await driver.findElement(By.xpath("//summary[contains(., 'Contrast')]"))).click();
    await page.choose('See the cloth', 'In grey');
    const seen = await settledShot(driver);
    const { x, y, width, height } = await (await page.find('[data-cloth]')).getRect();
    let grey = 0;
    for (let n = 0; n < 200; n++) {
      const [r, g, b] = seen.at(x + 30 + ((n * 37) % (width - 60)), y + 70 + ((n * 53) % (height - 140)));
      if (Math.max(r, g, b) - Math.min(r, g, b) <= 2) grey += 1;
    }
    // All but the marks over the cloth.
    expect(grey).toBeGreaterThan(190);
    await page.choose('See the cloth', 'As it is');
  });
});
