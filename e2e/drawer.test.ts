import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { By, until, type WebElement } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { insertMotif, everyMotif } from '../server/store/motifs.ts';
import { click, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { PATIENCE } from './support/browser.ts';
import { removeFolder } from '../server/testing/folders.ts';

const page = useStudio({ samples: true });
let folder: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-files-'));
});

afterAll(() => {
  removeFolder(folder);
});

const cards = (): Promise<WebElement[]> => page.driver.findElements(By.css('[data-drawer-motif]'));
const card = (name: string): Promise<WebElement> =>
  page.driver.wait(
    until.elementLocated(By.xpath(`//button[@data-drawer-motif][.//span[text()='${name}']]`)),
    PATIENCE,
    `no motif “${name}”`,
  );
const gone = (css: string): Promise<boolean> =>
  page.driver.wait(async () => (await page.driver.findElements(By.css(css))).length === 0);

describe('the motif drawer', () => {
  it('takes a ZIP, each drawing with its own outcome, and finds what is sought', async () => {
    page.expectComplaint(/status of 415/);
    const { driver } = page;
    const drawing = (fill: string): Uint8Array =>
      strToU8(
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle cx="4" cy="4" r="4" fill="${fill}"/></svg>`,
      );
    writeFileSync(
      join(folder, 'shingle.zip'),
      zipSync({
        'shingle/grey-stone.svg': drawing('#888888'),
        'shingle/white-stone.svg': drawing('#eeeeee'),
        'shingle/broken.svg': strToU8('<svg'),
        'notes.txt': strToU8('x'),
      }),
    );
    await page.goTo('/motifs');
    await card('Whelk');
    await driver.findElement(By.css('input[type=file]')).sendKeys(join(folder, 'shingle.zip'));
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-arrival="here"], [data-arrival="refused"]'))).length === 4,
    );
    expect((await driver.findElements(By.css('[data-arrival="refused"]'))).length).toBe(1);
    await type(driver, 'Search the drawer', 'stone', false);
    await card('Grey stone');
    // The search is answered by the server; until then the drawer shows what it showed before.
    await driver.wait(async () => (await cards()).length === 2);
    await click(driver, 'button', 'Clear this list');
  });

  it('renames, tags and files a motif, and finds it by its tag', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (await card('Limpet')).click();
    await type(driver, 'Name of the motif', 'Common limpet');
    await card('Common limpet');
    await type(driver, 'Add a tag', 'splash zone');
    await waitForText(driver, 'splash zone');
    await type(driver, 'Collection', 'Splash zone');
    await driver.wait(until.elementLocated(By.xpath("//aside[@aria-label='Collections']//span[text()='Splash zone']")));
    await type(driver, 'Search the drawer', 'splash', false);
    await driver.wait(async () => (await cards()).length === 1);
  });

  it('says which designs use a motif when it is deleted, and takes it back', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (await card('Reef knot')).click();
    await waitForText(driver, 'Limpets and rope');
    await click(driver, 'button', 'Delete');
    await waitForText(
      driver,
      '“Reef knot” was deleted from the drawer. It stays in “Limpets and rope”, “Slipway” and “Strandline”.',
    );
    await gone('[data-drawer-motif="low-tide-reef-knot"]');
    await click(driver, 'button', 'Undo');
    await card('Reef knot');
  });

  it('stays quick with two thousand motifs: only those in sight exist', async () => {
    const { driver } = page;
    const { database } = page.hevrel.serving.studio;
    const before = await everyMotif(database);
    const [first] = before;
    if (!first) throw new Error('there are no samples');
    await database.transaction(async (transaction) => {
      for (let i = 0; i < 2000; i += 1)
        await insertMotif(transaction, { ...first, id: `many-${i}`, name: `Pebble ${i}`, collection: 'Many' });
    });
    await page.goTo('/motifs');
    await waitForText(driver, `${before.length + 2000} motifs`);
    expect((await cards()).length).toBeLessThan(120);
    // None of those on the first page, which are the newest.
    await type(driver, 'Search the drawer', 'pebble 1000', false);
    await card('Pebble 1000');
    expect(await cards()).toHaveLength(1);
  });
});
