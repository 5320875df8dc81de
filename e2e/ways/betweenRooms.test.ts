import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import {
  cellOnScreen,
  click,
  clickAt,
  named,
  press,
  settled,
  type,
  waitForText,
  waitUntilSaved,
} from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';

const page = useStudio({ samples: true });
const DESIGN = 'Limpets and rope';

/** From the table to a design, by what is on the screen. */
async function openFromTable(): Promise<void> {
  const { driver } = page;
  await click(driver, 'link', 'Table');
  await click(driver, 'link', DESIGN);
  await page.find('[data-cell]');
  await settled(driver);
}
const textOf = async (css: string): Promise<string> => (await page.find(css)).getText();
const trayNames = async (): Promise<string[]> =>
  page.driver.executeScript(
    `return [...document.querySelectorAll('section[aria-label="Tray"] button[data-motif]')].map((button) => button.textContent)`,
  );
const placements = async (): Promise<{ id: string; motif: string }[]> => {
  const answer = await fetch(`${page.hevrel.url}/api/designs/low-tide-limpets-and-rope`);
  return ((await answer.json()) as { design: { placements: { id: string; motif: string }[] } }).design.placements;
};

describe('from room to room', () => {
  it('searching the tray changes nothing on the cloth, nor the order of the tray', async () => {
    const { driver } = page;
    await page.goTo('/');
    await openFromTable();
    const order = await trayNames();
    await type(driver, 'Search the tray', 'herring', false);
    await driver.wait(async () => (await trayNames()).length < order.length, PATIENCE, 'nothing was found');
    const [found] = await trayNames();
    await (await page.find('section[aria-label="Tray"] button[data-motif]')).click();
    await driver.wait(async () => (await textOf('[data-chalk-label]')).includes(found ?? '?'), PATIENCE);
    await type(driver, 'Search the tray', 'whelk', false);
    await driver.wait(async () => !(await trayNames()).includes(found ?? '?'), PATIENCE);
    await settled(driver);
    expect(await textOf('[data-chalk-label]')).toContain(found ?? '?');
    await (await named(driver, 'field', 'Search the tray')).sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await driver.wait(async () => (await trayNames()).length >= order.length, PATIENCE);
    const now = await trayNames();
    expect(now.filter((name) => order.includes(name)).slice(0, order.length)).toEqual(order);
    await press(driver, Key.ESCAPE);
    await press(driver, Key.CONTROL, 'z');
    await waitUntilSaved(driver);
  });

  it('a file that is dropped in stands first in the tray, found by what is searched for meanwhile', async () => {
    const { driver } = page;
    const file = join(page.browser.downloads, '..', 'sea holly.svg');
    writeFileSync(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9"><path fill="#3e7a5e" d="M0 0h9v9z"/></svg>',
    );
    await type(driver, 'Search the tray', 'holly', false);
    await (await page.find('section[aria-label="Tray"] input[type="file"]')).sendKeys(file);
    await waitForText(driver, '“Sea holly” is imported. It is the first in the tray.');
    await driver.wait(async () => (await trayNames())[0] === 'Sea holly', PATIENCE, 'it is not found');
    await (await named(driver, 'field', 'Search the tray')).sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await driver.wait(async () => (await trayNames()).length > 5, PATIENCE);
    expect((await trayNames())[0]).toBe('Sea holly');
  });

  it('two motifs are bundled although another is selected meanwhile, and undone bundles leave the drawer', async () => {
    const { driver } = page;
    const { left, top, scale } = await cellOnScreen(driver);
    const before = await placements();
    await clickAt(driver, { x: left + 98 * scale, y: top + 112 * scale });
    await clickAt(driver, { x: left + 5 * scale, y: top + 110 * scale }, { held: Key.SHIFT });
    await press(driver, 'k');
    await press(driver, 'k');
    await clickAt(driver, { x: left + 88 * scale, y: top - 10 * scale });
    const other = await textOf('[data-chalk-label]');
    await driver.wait(async () => (await placements()).length === before.length - 1, PATIENCE, 'nothing was bundled');
    expect(await textOf('[data-chalk-label]')).toBe(other);
    const bundles = async (): Promise<number> =>
      ((await (await fetch(`${page.hevrel.url}/api/motifs?collection=Bundles`)).json()) as { total: number }).total;
    expect(await bundles()).toBe(1);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await bundles()) === 0, PATIENCE, 'the bundle stayed in the drawer');
    await waitUntilSaved(driver);
    expect((await placements()).map(({ id }) => id)).toEqual(before.map(({ id }) => id));
  });

  it('a press beside the dialog does not end a swatch that is being saved, and the next one is a version of it', async () => {
    const { driver } = page;
    await click(driver, 'button', 'Save swatch');
    // What was saved of this design before comes first.
    expect(await textOf('[role="dialog"] select')).toMatch(/^Version 2 of/);
    await (await driver.findElement(By.xpath("//select/option[.='A new swatch']"))).click();
    await type(driver, 'Name of the swatch', 'Rope, again', false);
    await clickAt(driver, { x: 100, y: 400 });
    expect(await driver.findElements(By.css('[role="dialog"]'))).toHaveLength(1);
    await (await driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"))).click();
    await clickAt(driver, { x: 100, y: 400 });
    await waitForText(driver, '“Rope, again” is in the swatch book.');
    await click(driver, 'button', 'Save swatch');
    await driver.wait(
      async () => (await textOf('[role="dialog"] select')).split('\n')[0] === 'Version 2 of “Rope, again”',
      PATIENCE,
    );
    await press(driver, Key.ESCAPE);
    await driver.wait(async () => (await driver.findElements(By.css('[role="dialog"]'))).length === 0, PATIENCE);
    await settled(driver);
  });

  it('the swatch book shows its swatches at every visit', async () => {
    const { driver } = page;
    await click(driver, 'link', 'Table');
    await settled(driver);
    for (let visit = 0; visit < 3; visit += 1) {
      await click(driver, 'link', 'Swatch book');
      await driver.wait(until.elementLocated(By.xpath("//main//h1[.='Swatch book']")), PATIENCE, 'it never opened');
      await driver.wait(
        async () => (await driver.findElements(By.css('main li'))).length > 1,
        PATIENCE,
        `there is no swatch at visit ${visit + 1}`,
      );
      await click(driver, 'link', 'Table');
      await settled(driver);
    }
  });

  it('words are built by whoever comes from the drawer', async () => {
    const { driver } = page;
    await click(driver, 'link', 'Motif drawer');
    await settled(driver);
    await click(driver, 'link', 'Build a motif');
    await page.find('[data-stage]');
    await page.choose('Figure of this piece', 'Lettering');
    await named(driver, 'field', 'Text');
    await settled(driver);
  });
});
