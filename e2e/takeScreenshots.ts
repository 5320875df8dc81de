import { mkdirSync, writeFileSync } from 'node:fs';
import { Button, By, Origin, until, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './support/browser.ts';
import { cellOnScreen, click, clickAt, settledShot, type } from './support/hands.ts';
import { startHevrel } from './support/hevrel.ts';

const FOLDER = new URL('../docs/screenshots/', import.meta.url);

/** One picture of each main view: where it is, and what is done there before it is taken. */
const VIEWS: readonly { name: string; path: string; prepare?: (driver: WebDriver) => Promise<void> }[] = [
  {
    name: 'home',
    path: '/',
    prepare: async (driver) => {
      // The pictures are painted when they are first asked for.
      await driver.executeAsyncScript(
        'const done = arguments[0]; fetch("/api/designs").then((r) => r.json()).then((all) => Promise.all(all.map(({ id }) => fetch(`/api/designs/${id}/picture`)))).then(() => done());',
      );
      await driver.navigate().refresh();
      await driver.sleep(1500);
    },
  },
  {
    name: 'cloth',
    path: '/designs/low-tide-limpets-and-rope',
    prepare: async (driver) => {
      await settledShot(driver);
      const { left, top, scale } = await cellOnScreen(driver);
      // The whelk, by its place in the cell.
      await clickAt(driver, { x: left + 98 * scale, y: top + 112 * scale });
    },
  },
  {
    name: 'motif-drawer',
    path: '/motifs',
    prepare: async (driver) => {
      await (await driver.findElement(By.css('[data-drawer-motif="low-tide-crab"]'))).click();
      await driver.sleep(400);
    },
  },
  {
    name: 'workshop',
    path: '/workshop/low-tide-sheet-ink',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-drawing]')));
    },
  },
  {
    name: 'builder',
    path: '/build/low-tide-ripple-fan',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-alternative]')));
    },
  },
  { name: 'swatch-book', path: '/swatches' },
  {
    name: 'export',
    path: '/swatches/low-tide-swatch-moorings',
    prepare: async (driver) => {
      await click(driver, 'button', 'Export');
      await click(driver, 'radio', 'Repeats');
      await type(driver, 'Bleed on each edge', '20');
    },
  },
  {
    name: 'print-house',
    path: '/swatches/low-tide-swatch-herring',
    prepare: async (driver) => {
      await click(driver, 'button', 'Order a print');
      await (await driver.wait(until.elementLocated(By.css("[role='dialog'] button[type=submit]")))).click();
      await click(driver, 'button', 'Show orders');
      await driver.wait(until.elementLocated(By.css('[data-state="answered"]')));
      await driver.wait(until.elementLocated(By.css('figure img')));
    },
  },
  {
    name: 'colourways',
    path: '/designs/low-tide-limpets-and-rope',
    prepare: async (driver) => {
      await click(driver, 'button', 'Colour');
      await click(driver, 'button', 'Table');
      await (await driver.wait(until.elementLocated(By.css('[aria-label^="Madder in Night tide:"]')))).click();
    },
  },
  {
    name: 'comparison',
    path: '/swatches',
    prepare: async (driver) => {
      const boxes = By.css('main li input[type=checkbox]');
      await driver.wait(until.elementLocated(boxes));
      for (const box of (await driver.findElements(boxes)).slice(0, 4)) await box.click();
      await click(driver, 'button', 'Compare');
      await driver.sleep(2500);
    },
  },
  {
    name: 'symmetry',
    path: '/designs/low-tide-tide-wheel',
    prepare: async (driver) => {
      await settledShot(driver);
      await click(driver, 'button', 'Repeat');
      await click(driver, 'button', 'Four');
    },
  },
  {
    name: 'picture',
    path: '/workshop/low-tide-picture-shore/tile',
    prepare: async (driver) => {
      await (await driver.wait(until.elementLocated(By.css('[aria-label^="p31m"]')))).click();
      await driver.wait(until.elementLocated(By.css('[data-tiling][aria-busy="false"] [data-tile-cloth]')));
      await driver.sleep(2500);
    },
  },
  {
    name: 'try-ons-beside',
    path: '/try-ons/compare?ids=low-tide-try-on-cushion,low-tide-try-on-mug',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-dressed]')));
      await driver.sleep(2500);
    },
  },
  {
    name: 'toss',
    path: '/designs/low-tide-flotsam',
    prepare: async (driver) => {
      await settledShot(driver);
      await click(driver, 'button', 'Toss');
      await driver.wait(until.elementLocated(By.css('section[aria-label="Toss"]')));
    },
  },
  {
    name: 'check',
    path: '/designs/low-tide-herring-run',
    prepare: async (driver) => {
      await click(driver, 'button', 'Check');
      await (await driver.wait(until.elementLocated(By.css('[data-finding="lane 1"]')))).click();
    },
  },
  {
    name: 'separations',
    path: '/designs/low-tide-moorings',
    prepare: async (driver) => {
      await click(driver, 'button', 'Colour');
      await click(driver, 'button', 'Separations');
      await driver.wait(until.elementLocated(By.css('[data-plates]')));
      await (await driver.findElement(By.css('input[aria-label="Show Ground"]'))).click();
    },
  },
  // Last, since it changes the design.
  {
    name: 'drawing',
    path: '/designs/low-tide-kelp-forest',
    prepare: async (driver) => {
      // What the view before has begun.
      await driver.executeScript('localStorage.clear()');
      await driver.navigate().refresh();
      await click(driver, 'button', 'Draw');
      await settledShot(driver);
      const { left, top, scale } = await cellOnScreen(driver);
      const at = (x: number, y: number) => ({ x: Math.round(left + x * scale), y: Math.round(top + y * scale) });
      await driver.executeScript("document.querySelectorAll('summary')[0].click()");
      await click(driver, 'radio', 'Turned');
      await type(driver, 'Times', '8');
      await type(driver, 'Centre X', '66');
      await type(driver, 'Centre Y', '180');
      await type(driver, 'Ink, typed', '#dda189');
      await type(driver, 'Width', '3.5');
      await stroke(driver, [at(66, 172), at(61, 164), at(66, 152), at(71, 164), at(66, 172)]);
      await type(driver, 'Ink, typed', '#f4ecdc');
      await stroke(driver, [at(70, 170), at(75, 160), at(78, 154)]);
    },
  },
  {
    name: 'try-on',
    path: '/try-ons/low-tide-try-on-summer',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-dressed]')));
      const { x, y, width, height } = await (await driver.findElement(By.css('[data-dressed] canvas'))).getRect();
      await clickAt(driver, { x: x + width * 0.52, y: y + height * 0.5 });
      await driver.sleep(400);
    },
  },
  {
    name: 'try-on-wall',
    path: '/try-ons/low-tide-try-on-wall',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-dressed]')));
      await driver.wait(until.elementLocated(By.css('[data-rolls]')));
      await driver.executeScript("document.querySelector('[data-rolls]').scrollIntoView()");
    },
  },
];

/** Draws a line through places of the window, as a hand does. */
async function stroke(driver: WebDriver, places: readonly { x: number; y: number }[]): Promise<void> {
  const hand = driver.actions({ async: false });
  places.forEach((at, n) => {
    hand.move({ ...at, origin: Origin.VIEWPORT, duration: 40 });
    if (n === 0) hand.press(Button.LEFT);
  });
  await hand.release(Button.LEFT).perform();
}

/** Of the views those that are asked for; all where none is. */
const wished = process.argv.slice(2);
mkdirSync(FOLDER, { recursive: true });
const hevrel = await startHevrel({ empty: false });
const browser = await openBrowser();
try {
  for (const { name, path, prepare } of VIEWS) {
    if (wished.length > 0 && !wished.includes(name)) continue;
    await browser.driver.get(hevrel.url + path);
    await browser.driver.sleep(900);
    await prepare?.(browser.driver);
    await settledShot(browser.driver);
    writeFileSync(new URL(`${name}.png`, FOLDER), await browser.driver.takeScreenshot(), 'base64');
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  await hevrel.close();
}
