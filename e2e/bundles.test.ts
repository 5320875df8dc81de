import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import {
  alike,
  cellOnScreen,
  click,
  clickAt,
  drag,
  middleOf,
  named,
  press,
  settledShot,
  waitForText,
  waitUntilSaved,
  type Shot,
  type Spot,
} from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { PATIENCE } from './support/browser.ts';

const page = useStudio({ samples: true });

/** How many pixels of the cloth differ by more than what placing a path in single precision rounds. */
function moved(before: Shot, after: Shot): number {
  let count = 0;
  for (let y = 50; y < 700; y += 1)
    for (let x = 58; x < 974; x += 1) if (!alike(before.at(x, y), after.at(x, y), 4)) count += 1;
  return count;
}
const settled = (): Promise<Shot> => settledShot(page.driver);
const unchosen = async (): Promise<Shot> => {
  await press(page.driver, Key.ESCAPE);
  return settled();
};
let whelk: Spot;
let knot: Spot;

describe('bundles on the cloth', () => {
  it('are made of motifs, and loosened again, without a pixel moving', async () => {
    const { driver } = page;
    await page.goTo('/designs/low-tide-limpets-and-rope');
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await settled();
    const { left, top, scale } = await cellOnScreen(driver);
    whelk = { x: left + 98 * scale, y: top + 112 * scale };
    knot = { x: left + 88 * scale, y: top - 10 * scale };
    const before = await unchosen();
    await clickAt(driver, whelk);
    await clickAt(driver, { x: left + 5 * scale, y: top + 110 * scale }, { held: Key.SHIFT });
    await press(driver, 'k');
    await driver.wait(until.elementLocated(By.css('[aria-label="Open the bundle"]')));
    expect(moved(before, await unchosen())).toBe(0);
    await clickAt(driver, whelk);
    await press(driver, 'l');
    expect(moved(before, await unchosen())).toBe(0);
    await press(driver, Key.CONTROL, 'z');
    await waitUntilSaved(driver);
  });

  it('are opened where they lie; what is moved in them moves, and all else stays', async () => {
    const { driver } = page;
    const before = await unchosen();
    await clickAt(driver, whelk);
    await press(driver, 'o');
    await driver.wait(until.elementLocated(By.css('[data-bundle-bar]')));
    const open = await settled();
    // The whelk as it was, the knot faint.
    expect(alike(open.at(whelk.x, whelk.y), before.at(whelk.x, whelk.y))).toBe(true);
    expect(alike(open.at(knot.x, knot.y), before.at(knot.x, knot.y))).toBe(false);
    // What is not in the bundle cannot be taken.
    await clickAt(driver, knot);
    expect(await driver.findElements(By.css('[data-chalk-label]'))).toHaveLength(0);
    await drag(driver, whelk, { x: whelk.x + 30, y: whelk.y + 20 });
    await click(driver, 'button', 'Close the bundle');
    await waitForText(driver, 'is changed wherever it is used.');
    const after = await unchosen();
    expect(alike(after.at(knot.x, knot.y), before.at(knot.x, knot.y))).toBe(true);
    expect(alike(after.at(whelk.x + 30, whelk.y + 20), before.at(whelk.x, whelk.y))).toBe(true);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(
      async () => alike((await settled()).at(whelk.x, whelk.y), before.at(whelk.x, whelk.y)),
      PATIENCE,
      'the bundle was never undone',
    );
  });

  it('and other motifs are made separate, so that what is changed in one changes only there', async () => {
    const { driver } = page;
    await press(driver, Key.ESCAPE);
    await clickAt(driver, knot);
    await click(driver, 'button', 'Make separate');
    await waitForText(driver, 'is now a separate motif');
    await waitUntilSaved(driver);
    const { motifs } = (await (await fetch(`${page.hevrel.url}/api/motifs?limit=200`)).json()) as {
      motifs: { name: string; uses: number }[];
    };
    expect(motifs.find(({ name }) => name === 'Reef knot, separate')).toMatchObject({ uses: 1 });
  });

  it('of the drawer are made of what is chosen there', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (await driver.wait(until.elementLocated(By.css('[data-drawer-motif="low-tide-marram"]')))).click();
    const hand = driver.actions({ async: false });
    await hand
      .keyDown(Key.CONTROL)
      .click(await driver.findElement(By.css('[data-drawer-motif="low-tide-sea-glass"]')))
      .keyUp(Key.CONTROL)
      .perform();
    await click(driver, 'button', 'Bundle them');
    await waitForText(driver, 'A bundle of 2 motifs');
  });
});

describe('a collection', () => {
  it('is written to one file, which the drawer takes back and knows', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (await driver.wait(until.elementLocated(By.xpath('//aside//button[contains(., "Bundles")]')))).click();
    await click(driver, 'link', 'Export “Bundles”');
    await driver.findElement(By.css('input[type=file]')).sendKeys(await page.downloaded('Bundles.zip'));
    await waitForText(driver, 'The collection “Bundles”');
    await waitForText(driver, 'All of them were there already.');
  });
});

describe('motifs that are combined on the cloth', () => {
  it('cut the lowest, or are one shape in its colour, and are opened like a bundle', async () => {
    const { driver } = page;
    await page.goTo('/');
    await click(driver, 'button', 'New design');
    await click(driver, 'radio', 'Square');
    await click(driver, 'button', 'Create');
    await page.find('[data-cell]');
    await settled();
    const middle = await middleOf(driver, '[data-cloth]');
    const bare = (await settled()).at(middle.x, middle.y);
    const search = await named(driver, 'field', 'Search the tray');
    await search.sendKeys('pebble');
    await driver.wait(async () => (await driver.findElements(By.css('[data-motif]'))).length === 3, PATIENCE);
    // Two stones, the darker one over the right half of the other.
    await drag(driver, await middleOf(driver, '[data-motif][title^="Flat pebble"]'), middle);
    await drag(driver, await middleOf(driver, '[data-motif][title^="Banded pebble"]'), {
      x: middle.x + 20,
      y: middle.y,
    });
    await press(driver, Key.CONTROL, 'a');
    await click(driver, 'button', 'Arrange');
    await click(driver, 'button', 'Cut out');
    await driver.wait(until.elementLocated(By.css('[aria-label="Open the bundle"]')), PATIENCE, 'it was not cut');
    const cut = await unchosen();
    expect(alike(cut.at(middle.x + 20, middle.y), bare)).toBe(true);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(
      async () => !alike((await settled()).at(middle.x + 20, middle.y), bare),
      PATIENCE,
      'it cannot be undone',
    );
    await press(driver, Key.CONTROL, 'a');
    await click(driver, 'button', 'Join');
    await driver.wait(until.elementLocated(By.css('[aria-label="Open the bundle"]')), PATIENCE, 'they are not joined');
    const joined = await unchosen();
    // One colour from the left of the one to the right of the other.
    for (const by of [-8, 0, 10, 20, 26])
      expect(alike(joined.at(middle.x + by, middle.y), joined.at(middle.x, middle.y)), `${by}`).toBe(true);
    await waitUntilSaved(driver);
  });
});
