import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { By, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from './support/browser.ts';
import { click, named, press, settled, type, waitForText, waitUntilSaved } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });
const SWATCH = '/swatches/low-tide-swatch-herring';
const submit = async (): Promise<void> =>
  (await page.driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"))).click();
const shownVersions = async (): Promise<(string | null)[]> =>
  Promise.all(
    (await page.driver.findElements(By.css('[data-version]'))).map((row) => row.getAttribute('data-version')),
  );

describe('a swatch’s versions', () => {
  it('are added from its design with a note, compared, and restored', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await click(driver, 'button', 'Open its design');
    await driver.wait(until.urlContains('/designs/low-tide-herring-run'));
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await settled(driver);
    await press(driver, 'n');
    await press(driver, 't');
    await waitUntilSaved(driver);
    await click(driver, 'button', 'Save swatch');
    const target = await driver.wait(until.elementLocated(By.xpath("//label[contains(., 'Save as')]//select")));
    await target.findElement(By.xpath('./option[contains(., "“Herring run”")]')).click();
    await type(driver, 'Note on this version', 'One herring turned', false);
    await submit();
    await waitForText(driver, 'Version 2 of “Herring run” is in the swatch book.');

    await page.goTo(SWATCH);
    await waitForText(driver, 'One herring turned');
    expect(await shownVersions()).toEqual(['2', '1']);
    await (await page.find('[data-version="1"] button')).click();
    await click(driver, 'button', 'Compare with the newest');
    await waitForText(driver, '% of the pixels have changed.');
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-comparison="beside"] figure'))).length === 2,
    );
    await click(driver, 'radio', 'Difference');
    await driver.wait(until.elementLocated(By.css('[data-comparison="difference"] > div')));
    await click(driver, 'button', 'Back to the cloth');
    await click(driver, 'button', 'Restore version 1');
    await waitForText(driver, 'Version 1 is the newest again');
    await driver.wait(async () => (await shownVersions()).join() === '3,2,1', PATIENCE, 'no third version came');
  });
});

describe('the swatch book', () => {
  it('is searched and filtered by tags, and restores what was deleted out of its bin', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await type(driver, 'Tags, with commas between them', 'fish, blue');
    await driver.wait(async () => {
      const swatch = (await (await fetch(`${page.hevrel.url}/api${SWATCH}`)).json()) as { tags: string[] };
      return swatch.tags.join() === 'fish,blue';
    });
    await page.goTo('/swatches');
    await waitForText(driver, 'Moorings');
    const cards = async (): Promise<number> => (await driver.findElements(By.css('main li'))).length;
    const all = await cards();
    await page.choose('Show', 'Tag “fish”');
    await driver.wait(async () => (await cards()) === 1);
    await page.choose('Show', 'Every swatch');
    // Near a colour: those that have it come first, others not at all.
    await driver.executeScript(
      `const field = document.querySelector('input[aria-label="Colour near"]');
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '#a5402d');
       field.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await driver.wait(async () => (await cards()) < all && (await cards()) > 0);
    expect(await (await page.find('main li')).getText()).toContain('Herring run, madder');
    await click(driver, 'button', 'Any colour');
    await type(driver, 'Search the book', 'moorings', false);
    await driver.wait(async () => (await cards()) === 1);
    await driver
      .actions()
      .move({ origin: await page.find('main li') })
      .perform();
    await click(driver, 'button', 'Delete Moorings');
    await waitForText(driver, 'No swatch fits.');
    await click(driver, 'button', 'Bin');
    await click(driver, 'button', 'Restore Moorings');
    await driver.wait(async () => (await cards()) === 1);
    await click(driver, 'button', 'Close');
    await page.goTo('/swatches');
    await driver.wait(async () => (await cards()) === all);
  });
});

describe('a screen', () => {
  it('is measured once, and shows actual size from then on', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await page.find('[data-screen="not measured"]');
    await click(driver, 'button', 'Measure this screen');
    const slider = await named(driver, 'field', 'Size on screen');
    // A range is moved as its own arrow keys do.
    await driver.executeScript(
      "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set; set.call(arguments[0], '5'); arguments[0].dispatchEvent(new Event('input', { bubbles: true }));",
      slider,
    );
    const width: number = await driver.executeScript(
      "return document.querySelector('[data-measured]').getBoundingClientRect().width;",
    );
    expect(width).toBeCloseTo(85.6 * 5, 0);
    await click(driver, 'button', 'It fits');
    await page.find('[data-screen="measured"]');
    await driver.navigate().refresh();
    await page.find('[data-screen="measured"]');
    await click(driver, 'button', 'Actual size');
    const output = await page.find('[data-scale]');
    expect(Number(await output.getAttribute('data-scale'))).toBe(5);
    // 160 mm of the tile at 5 pixels each.
    const size: string = await driver.executeScript(
      "return document.querySelector('.bare-ground').style.backgroundSize;",
    );
    expect(size).toMatch(/^\d+px \d+px$/);
    expect(Number.parseFloat(size) / 5).toBeCloseTo(160, 6);
  });
});

describe('an export', () => {
  it('of three by two repeats as a TIFF with bleed comes down with its proof', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await click(driver, 'button', 'Export');
    await click(driver, 'radio', 'TIFF');
    await click(driver, 'radio', 'Repeats');
    await type(driver, 'Rows', '2');
    await type(driver, 'Dots per inch', '50.8');
    await type(driver, 'Bleed on each edge', '10');
    // 160 × 60 mm at 2 px a mm; two rows of a brick make the tile.
    await waitForText(driver, 'TIFF, 980 × 500 px, 50.8 dpi');
    await submit();
    await waitForText(driver, 'all of them are equal.');
    const metadata = await sharp(readFileSync(await page.downloaded('.tif'))).metadata();
    expect(metadata).toMatchObject({ format: 'tiff', width: 980, height: 500 });
    await click(driver, 'button', 'Done');
  });

  it('that cannot be made says why, and what helps', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await click(driver, 'button', 'Export');
    await click(driver, 'radio', 'Repeats');
    await click(driver, 'radio', 'Game texture');
    await waitForText(driver, 'Only a tile can have sides that are powers of two. Choose the tile');
    const button = await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"));
    expect(await button.isEnabled()).toBe(false);
  });
});
