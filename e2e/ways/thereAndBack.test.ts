import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import { cellOnScreen, click, clickAt, named, press, settled, type, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';

const page = useStudio({ samples: true });
const DESIGN = 'Limpets and rope';

async function openFromTable(): Promise<void> {
  await page.goTo('/');
  await settled(page.driver);
  await click(page.driver, 'link', DESIGN);
  await page.find('[data-cell]');
  await settled(page.driver);
}
/** Chooses from the menu that a button opens. */
async function choose(menu: string, choice: string): Promise<void> {
  await click(page.driver, 'button', menu);
  const found = await page.find(`[role="menu"]`);
  await (await found.findElement(By.xpath(`.//*[normalize-space()='${choice}']`))).click();
}
const label = async (): Promise<string> => (await page.find('[data-chalk-label]')).getText();
const address = async (): Promise<string> => new URL(await page.driver.getCurrentUrl()).pathname;
const waitForAddress = (path: string | RegExp): Promise<unknown> =>
  page.driver.wait(
    async () => (typeof path === 'string' ? (await address()) === path : path.test(await address())),
    PATIENCE,
    `never came to ${path}`,
  );
const motifsOnCloth = async (): Promise<number> =>
  (
    (await (await fetch(`${page.hevrel.url}/api/designs/low-tide-limpets-and-rope`)).json()) as {
      design: { placements: unknown[] };
    }
  ).design.placements.length;

describe('from a design to where its things are made, and back', () => {
  it('a word is lettered and comes back selected on the cloth, once', async () => {
    const { driver } = page;
    await openFromTable();
    const design = await address();
    const before = await motifsOnCloth();
    await choose('New motif', 'Letter a word');
    await waitForAddress('/build');
    const words = await named(driver, 'field', 'Text');
    await words.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Neap');
    // Named after what it says.
    await driver.wait(
      async () => (await (await named(driver, 'field', 'Name of the motif')).getAttribute('value')) === 'Neap',
      PATIENCE,
    );
    await click(driver, 'button', 'Create motif');
    await waitForAddress(design);
    await driver.wait(async () => (await label()).includes('Neap'), PATIENCE, 'it does not lie on the cloth');
    await settled(driver);
    await waitUntilSaved(driver);
    expect(await motifsOnCloth()).toBe(before + 1);
  });

  it('a shape is changed from its label on the cloth, and is selected again when one comes back', async () => {
    const { driver } = page;
    const before = await motifsOnCloth();
    await choose('Change the motif', 'Change its shape');
    await waitForAddress(/^\/build\//);
    await type(driver, 'Text', 'Ebb', false);
    await press(driver, Key.TAB);
    await click(driver, 'button', 'Update motif');
    await waitForAddress(/^\/designs\//);
    await driver.wait(async () => (await label()).includes('Neap'), PATIENCE, 'it is not selected any more');
    expect(await motifsOnCloth()).toBe(before);
    // And the way back without a change.
    await choose('Change the motif', 'Change its shape');
    await waitForAddress(/^\/build\//);
    await (await page.find(`a[aria-label="Back to “${DESIGN}”"]`)).click();
    await waitForAddress(/^\/designs\//);
    await driver.wait(async () => (await label()).includes('Neap'), PATIENCE);
    // What is opened again is not laid again.
    await driver.navigate().refresh();
    await page.find('[data-cell]');
    await settled(driver);
    expect(await motifsOnCloth()).toBe(before);
    expect(await driver.findElements(By.css('[data-chalk-label]'))).toHaveLength(0);
  });

  it('its points, a part to be hidden and its inks are one step away', async () => {
    const { driver } = page;
    const { left, top, scale } = await cellOnScreen(driver);
    await clickAt(driver, { x: left + 98 * scale, y: top + 112 * scale });
    await page.find('[data-chalk-label]');
    await choose('Change the motif', 'Move its points');
    await page.find('[data-points]');
    await click(driver, 'button', 'Cancel');
    await click(driver, 'button', 'Arrange');
    await choose('Change the motif', 'Hide a part');
    await page.find('[data-areas]');
    await click(driver, 'button', 'Cancel');
    await click(driver, 'button', 'Arrange');
    await choose('Change the motif', 'Change its inks');
    await driver.wait(
      async () => (await (await page.find('[aria-current="step"]')).getText()) === 'Colour',
      PATIENCE,
      'its inks are not shown',
    );
    await waitUntilSaved(driver);
  });

  it('a try-on leads to its design and back to itself', async () => {
    const { driver } = page;
    await click(driver, 'link', 'Try-on');
    await waitForAddress(/^\/try-ons\/(?!new)/);
    const tryOn = await address();
    await page.find('[data-dressed]');
    await click(driver, 'link', 'Open the design');
    await waitForAddress(/^\/designs\//);
    await settled(driver);
    await click(driver, 'link', 'Try-on');
    await waitForAddress(tryOn);
  });

  it('a swatch names what it is used in, and leads there', async () => {
    const { driver } = page;
    await click(driver, 'link', 'Try-ons');
    await waitForAddress('/try-ons');
    await page.find('main h1');
    // Every page has a masthead of its own: the links of the one before go with it.
    await click(driver, 'link', 'Table');
    await waitForAddress('/');
    await named(driver, 'button', 'New design');
    await click(driver, 'link', 'Swatch book');
    await waitForAddress('/swatches');
    await (await page.find('main li a[href^="/swatches/"]')).click();
    await waitForAddress(/^\/swatches\//);
    const swatch = await address();
    await click(driver, 'button', 'Try on');
    await waitForAddress(/^\/try-ons\/(?!new)/);
    const tryOn = await address();
    await page.find('[data-dressed]');
    await click(driver, 'link', 'Open the swatch');
    await waitForAddress(swatch);
    await (await page.find('section[aria-label="Used in"] a')).click();
    await waitForAddress(tryOn);
  });
});
