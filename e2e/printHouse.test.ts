import { By, until, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PrintHouse } from '../server/printHouse/printHouse.ts';
import { PATIENCE } from './support/browser.ts';
import { click, shot, settled, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({
  samples: true,
  printHouse: (folder, pool) => new PrintHouse(folder, pool, { answer: 0, dispatch: 0 }),
});
const SWATCH = '/swatches/low-tide-swatch-herring';

const state = (name: string): Promise<WebElement> => page.find(`[data-state="${name}"]`);
const findings = async (): Promise<string[]> =>
  Promise.all((await page.driver.findElements(By.css('[aria-label="Print checks"] li'))).map((line) => line.getText()));

describe('an order', () => {
  it('is checked in plain words, breaks off in the middle, is resumed, and comes back as a strike-off with a price', async () => {
    const { driver } = page;
    await page.goTo('/print-house');
    await waitForText(driver, 'Nothing is ordered yet.');
    await page.choose('Behaviour', 'Breaks uploads off');

    await page.goTo(SWATCH);
    await click(driver, 'button', 'Order a print');
    await (await page.find('[role=radio][aria-label="Washed linen"]')).click();
    await type(driver, 'Length in metres', '1');
    await waitForText(driver, 'Washed linen is sold from 3 metres.');
    const order = await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"));
    expect(await order.isEnabled()).toBe(false);
    await (await page.find('[role=radio][aria-label="Furnishing sateen"]')).click();
    await type(driver, 'Length in metres', '4.5');
    await type(driver, 'Dots per inch', '100');
    await waitForText(driver, '100 dpi is too coarse: Samphire Mill prints at 150 to 600 dpi. Choose 150.');
    await type(driver, 'Dots per inch', '400');
    // Herrings repeat every 160 mm, sateen is 1400 mm wide.
    await driver.wait(async () => (await findings()).length === 1, PATIENCE);
    expect(await findings()).toEqual([
      '8 repeats fit across 1400 mm, and 120 mm are left over: joined lengths have to overlap or be trimmed.',
    ]);
    await waitForText(driver, '£96.75 total');
    await order.click();
    await waitForText(driver, 'is on its way to the print house.');
    await click(driver, 'button', 'Show orders');

    await state('interrupted');
    await waitForText(driver, 'What was sent so far is kept there; press Resume.');
    await page.choose('Behaviour', 'Works as it should');
    await click(driver, 'button', 'Resume');
    await state('answered');
    await waitForText(driver, '£21.50 a metre');

    // The picture shows cloth: herrings in their colours, and threads that make neighbouring pixels differ.
    const picture = await page.find('figure img');
    await driver.wait(async () => driver.executeScript('return arguments[0].naturalWidth > 0', picture), PATIENCE);
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', picture);
    await settled(driver);
    const { x, width, height } = await picture.getRect();
    const top: number = await driver.executeScript('return arguments[0].getBoundingClientRect().top', picture);
    const seen = await shot(driver);
    const colours = new Set<string>();
    for (let n = 0; n < 400; n++)
      colours.add(seen.at(x + 10 + ((n * 7) % (width - 20)), top + 10 + ((n * 3) % (height - 20))).join());
    expect(colours.size).toBeGreaterThan(60);

    await click(driver, 'button', 'Approve and print');
    await state('dispatched');
  });

  it('is ordered again as it was, is refused with the reason, and the list goes on while the print house is closed', async () => {
    const { driver } = page;
    await page.goTo('/print-house');
    await page.choose('Behaviour', 'Refuses orders');
    await click(driver, 'button', 'Order again');
    await waitForText(driver, '4.5 metres on Furnishing sateen');
    await (await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"))).click();
    await state('refused');
    await waitForText(driver, 'Samphire Mill has no room for more orders on furnishing sateen this month.');
    await page.choose('Behaviour', 'Cannot be reached');
    await waitForText(driver, 'The print house cannot be reached at present.');
    expect(await driver.findElements(By.css('[aria-label="Orders"] > li'))).toHaveLength(2);
    await page.choose('Behaviour', 'Works as it should');
    await driver.wait(until.elementLocated(By.css('[aria-label="Cloths and files"]')), PATIENCE);
  });
});

describe('a design that is to be printed', () => {
  it('is looked over for lines that are too thin, and what has them is selected', async () => {
    const { driver } = page;
    await page.goTo('/designs/low-tide-limpets-and-rope');
    await driver.wait(until.elementLocated(By.css('[data-cell]')), PATIENCE);
    await click(driver, 'button', 'Check');
    await page.find('[data-check="done"]');
    await (await driver.findElement(By.xpath("//summary[contains(., 'Fine detail')]"))).click();
    await click(driver, 'button', 'Look for thin lines');
    const line = By.xpath("//ul[@aria-label='Fine detail']//button[contains(., 'Banded pebble, 4 times')]");
    const found = await driver.wait(until.elementLocated(line), PATIENCE);
    expect(await found.getText()).toMatch(/0\.\d+ mm is under 2 dots at 150 dpi/);
    await found.click();
    await waitForText(driver, '4 motifs');
    // What was found at one density says nothing of another.
    await type(driver, 'Dots per inch', '300');
    await driver.wait(async () => (await driver.findElements(line)).length === 0, PATIENCE);
  });
});
