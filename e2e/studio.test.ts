import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until, type WebDriver } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { click, middleOf, press, settledShot, type, waitForText, waitUntilSaved, named } from './support/hands.ts';
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

async function gone(css: string): Promise<void> {
  await page.driver.wait(
    async () => (await page.driver.findElements(By.css(css))).length === 0,
    PATIENCE,
    `${css} is still there`,
  );
}

describe('the swatch book', () => {
  it('renames a swatch, deletes it with a way back, and opens its design', async () => {
    const { driver } = page;
    await page.goTo('/swatches');
    await click(driver, 'link', 'Herring run');
    await type(driver, 'Name of the swatch', 'Shoal');
    await driver.wait(until.elementLocated(By.css('button[aria-label="Delete Shoal"]')));
    await click(driver, 'link', 'Swatch book');
    await waitForText(driver, 'Shoal');
    // The button shows when the swatch is under the pointer.
    const card = await driver.findElement(By.xpath("//li[.//span[text()='Shoal']]"));
    await driver.actions().move({ origin: card }).perform();
    await click(driver, 'button', 'Delete Shoal');
    await waitForText(driver, '“Shoal” was deleted from the swatch book.');
    await gone('a span[title="Shoal"]');
    await click(driver, 'button', 'Undo');
    await driver.wait(until.elementLocated(By.css('a span[title="Shoal"]')));
    await click(driver, 'link', 'Shoal');
    await click(driver, 'button', 'Open its design');
    await driver.wait(until.urlContains('/designs/low-tide-herring-run'));
    await settledShot(driver);
  });

  it('opens a recoloured swatch as a design of its own', async () => {
    const { driver } = page;
    await page.goTo('/swatches/low-tide-swatch-limpets-dusk');
    await click(driver, 'button', 'Open its design');
    await driver.wait(until.urlMatches(/\/designs\/(?!low-tide)/));
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    const screen = await settledShot(driver);
    // The deep ground, somewhere on the cloth.
    const deep = [0x1d, 0x3d, 0x47];
    let found = 0;
    for (let y = 100; y < 700; y += 5)
      for (let x = 100; x < 900; x += 5)
        if (screen.at(x, y).every((value, i) => Math.abs(value - (deep[i] as number)) < 3)) found += 1;
    expect(found).toBeGreaterThan(500);
  });
});

describe('the table', () => {
  it('puts a design away and takes it back', async () => {
    const { driver } = page;
    await page.goTo('/');
    const card = await driver.wait(until.elementLocated(By.xpath("//li[.//span[text()='Moorings']][.//button]")));
    await driver.actions().move({ origin: card }).perform();
    await click(driver, 'button', 'Delete Moorings');
    await waitForText(driver, '“Moorings” was deleted.');
    await gone('a[href="/designs/low-tide-moorings"]');
    await click(driver, 'button', 'Undo');
    await driver.wait(until.elementLocated(By.css('a[href="/designs/low-tide-moorings"]')));
  });
});

describe('files', () => {
  it('come in several at once, each with its own outcome', async () => {
    page.expectComplaint(/status of 422/);
    const { driver } = page;
    const files = {
      'bottle-shard.png': await sharp({ create: { width: 60, height: 40, channels: 4, background: '#3e7a5e80' } })
        .png()
        .toBuffer(),
      'broken.svg': Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><path'),
      'scripted.svg': Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>1</script><circle cx="4" cy="4" r="3" fill="#b5442f"/></svg>',
      ),
    };
    for (const [name, content] of Object.entries(files)) writeFileSync(join(folder, name), content);
    await page.goTo('/designs/low-tide-herring-run');
    await click(driver, 'button', 'Motifs');
    await driver.findElement(By.css('input[type=file]')).sendKeys(
      Object.keys(files)
        .map((name) => join(folder, name))
        .join('\n'),
    );
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-arrival="here"], [data-arrival="refused"]'))).length === 3,
    );
    const rows = await Promise.all(
      (await driver.findElements(By.css('[data-arrival]'))).map(
        async (row) => `${await row.getAttribute('data-arrival')}: ${await row.getText()}`,
      ),
    );
    expect(rows[0]).toMatch(/^here: bottle-shard\.png/);
    expect(rows[1]).toMatch(/^refused: broken\.svg\s+“broken\.svg” cannot be read.*Nothing was added\./s);
    expect(rows[2]).toMatch(/^here: scripted\.svg\s+Left out: a script\./s);
    // In the tray at once, and laid by a click.
    await type(driver, 'Search the tray', 'shard', false);
    // The search is answered by the server; until then the tray shows what it showed before.
    const found = By.xpath('//button[@data-motif][normalize-space()="Bottle shard"]');
    await driver.wait(async () => (await driver.findElements(By.css('button[data-motif]'))).length === 1);
    await (await driver.wait(until.elementLocated(found))).click();
    await click(driver, 'button', 'Arrange');
    await driver.wait(
      async () => (await (await named(driver, 'field', 'Width')).getAttribute('value')) === '60 mm',
      PATIENCE,
      'it was never laid',
    );
    await waitUntilSaved(driver);
    await press(driver, 'z');
  });
});

/** How many commands lie in the browser's own store until the server has them. */
function keptCommands(driver: WebDriver): Promise<number> {
  return driver.executeAsyncScript(`
    const done = arguments[0];
    const opening = indexedDB.open('hevrel-edits');
    opening.onsuccess = () => {
      const asked = opening.result.transaction('edits').objectStore('edits').getAll();
      asked.onsuccess = () => {
        opening.result.close();
        done(asked.result.flatMap(({ batches }) => batches.flatMap(({ commands }) => commands)).length);
      };
    };`);
}

describe('without its server', () => {
  it('says that and why, keeps the edits, and saves them when it is back', async () => {
    page.expectComplaint(/net::ERR_/);
    const { driver } = page;
    const stored = async (): Promise<{ design: { placements: { rotation: number }[] }; revision: number }> =>
      (await fetch(`${page.hevrel.url}/api/designs/low-tide-strandline`)).json() as never;
    const before = (await stored()).design.placements[0]?.rotation ?? NaN;
    await page.goTo('/designs/low-tide-strandline');
    await settledShot(driver);
    const network = driver as unknown as {
      setNetworkConditions(to: object): Promise<void>;
      deleteNetworkConditions(): Promise<void>;
    };
    await network.setNetworkConditions({ offline: true, latency: 0, download_throughput: 0, upload_throughput: 0 });
    await press(driver, 'n');
    await press(driver, 't');
    const note = await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')));
    expect(await note.getText()).toContain('Not saved yet');
    expect(await note.getAttribute('title')).toContain('Your work is kept in this browser');
    await network.deleteNetworkConditions();
    await waitUntilSaved(driver);
    await driver.navigate().refresh();
    await settledShot(driver);
    await press(driver, 'n');
    await middleOf(driver, '[data-chalk-label]');
    const after = await stored();
    expect(after.revision).toBe(2);
    expect(after.design.placements[0]?.rotation).toBeCloseTo(before + 5, 9);
  });

  it('loses nothing where the window is closed before it is back', async () => {
    page.expectComplaint(/net::ERR_/);
    const { driver } = page;
    await page.goTo('/designs/low-tide-moorings');
    await settledShot(driver);
    const turned = async (): Promise<number | undefined> =>
      (
        (await (await fetch(`${page.hevrel.url}/api/designs/low-tide-moorings`)).json()) as {
          design: { placements: { rotation: number }[] };
        }
      ).design.placements[0]?.rotation;
    const before = (await turned()) ?? 0;
    const network = driver as unknown as {
      setNetworkConditions(to: object): Promise<void>;
      deleteNetworkConditions(): Promise<void>;
    };
    await network.setNetworkConditions({ offline: true, latency: 0, download_throughput: 0, upload_throughput: 0 });
    await press(driver, 'n');
    await press(driver, 't');
    await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')));
    await press(driver, 't');
    await driver.wait(async () => (await keptCommands(driver)) === 2, PATIENCE, 'they were not both kept');
    await driver.get('about:blank');
    await network.deleteNetworkConditions();
    // Part of it may have gone out with the window; it counts once all the same.
    await page.goTo('/designs/low-tide-moorings');
    await waitForText(driver, '2 earlier edits kept in this browser have now been saved.');
    await settledShot(driver);
    expect(await turned()).toBe(before + 10);
    await press(driver, 'n');
    await middleOf(driver, '[data-chalk-label]');
  });
});
