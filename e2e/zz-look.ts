import { writeFileSync } from 'node:fs';
import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './support/browser.ts';
import { cellOnScreen, click, clickAt, press, settledShot } from './support/hands.ts';
import { startHevrel } from './support/hevrel.ts';
const want = process.argv.slice(2);
const hevrel = await startHevrel({ empty: false });
const { driver, close } = await openBrowser(1280, 800);
const views: Record<string, (d: WebDriver) => Promise<void>> = {
  cloth: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-limpets-and-rope');
    await settledShot(d);
    const { left, top, scale } = await cellOnScreen(d);
    await clickAt(d, { x: left + 98 * scale, y: top + 112 * scale });
    await d.sleep(400);
  },
  small: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-flotsam');
    await settledShot(d);
    await press(d, 'n');
    await d.sleep(600);
  },
  repeat: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-tide-mark');
    await settledShot(d);
    await click(d, 'button', 'Repeat');
    await d.sleep(400);
  },
  quarter: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-limpets-and-rope');
    await settledShot(d);
    await click(d, 'button', 'Repeat');
    await click(d, 'radio', 'Square');
    await d.sleep(300);
    await click(d, 'radio', 'Quarter turns');
    await settledShot(d);
  },
  keys: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-limpets-and-rope');
    await settledShot(d);
    await press(d, '?');
    await d.sleep(500);
  },
  new: async (d) => {
    await d.get(hevrel.url + '/');
    await d.sleep(500);
    await click(d, 'button', 'New design');
    await d.sleep(500);
  },
  drawer: async (d) => {
    await d.get(hevrel.url + '/motifs');
    await d.sleep(900);
    await (await d.findElement(By.css('[data-drawer-motif="low-tide-crab"]'))).click();
    await d.sleep(700);
  },
  home: async (d) => {
    await d.get(hevrel.url + '/');
    await d.sleep(900);
  },
  toss: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-flotsam?show=toss');
    await settledShot(d);
  },
  layers: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-strandline');
    await settledShot(d);
    await click(d, 'radio', 'Layers');
    await d.sleep(500);
  },
  colour: async (d) => {
    await d.get(hevrel.url + '/designs/low-tide-strandline');
    await settledShot(d);
    await click(d, 'button', 'Colour');
    await d.sleep(500);
  },
  workshop: async (d) => {
    await d.get(hevrel.url + '/workshop/low-tide-sheet-ink');
    await d.wait(until.elementLocated(By.css('[data-drawing]')), 20000);
    await d.sleep(300);
  },
};
for (const name of want) {
  try {
    await views[name]!(driver);
  } catch (e) {
    console.log(name, String(e).slice(0, 300));
  }
  writeFileSync(`/tmp/shot-${name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'));
  const logs = await driver
    .manage()
    .logs()
    .get('browser')
    .catch(() => []);
  for (const l of logs) console.log(name, l.message.slice(0, 300));
}
await close();
await hevrel.close();
process.exit(0);
