import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { By, Key } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Design } from '../core/document/index.ts';
import { step } from '../core/lattice/index.ts';
import { hostileDrawings } from '../server/testing/hostileDrawings.ts';
import { tideFont } from '../server/testing/tideFont.ts';
import { click, clickAt, press, settled, type, waitForText, waitUntilSaved } from './support/hands.ts';
import { useTiles } from './support/tiles.ts';
import { removeFolder } from '../server/testing/folders.ts';

const tiles = useTiles();
const { page } = tiles;
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-imports-'));
});
afterAll(() => removeFolder(folder));

const svg = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20">${inner}</svg>`;
const dot = (n: number): string => svg(`<circle cx="10" cy="10" r="9" fill="#20${(40 + n).toString(16)}80"/>`);
const keep = (name: string, content: string | Buffer): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
/** Files of one kind of outcome each, thirty in all. */
async function mixed(): Promise<string[]> {
  const pixels = sharp({ create: { width: 20, height: 20, channels: 4, background: '#b5442f' } });
  const soft = `<filter id="f"><feGaussianBlur stdDeviation="1"/></filter>`;
  const hostile = hostileDrawings();
  return [
    ...Array.from({ length: 15 }, (_, n) => keep(`pebble-${n}.svg`, dot(n))),
    ...(await Promise.all(
      (['png', 'jpeg', 'webp', 'gif', 'tiff'] as const).map(async (kind) =>
        keep(`photo.${kind}`, await pixels.clone().toFormat(kind).toBuffer()),
      ),
    )),
    keep('packed.svgz', gzipSync(dot(90))),
    keep('wide.svg', Buffer.from(`\ufeff${dot(91)}`, 'utf16le')),
    ...[1, 2].map((n) => keep(`soft-${n}.svg`, svg(`${soft}<rect x="${n}" width="9" height="9" filter="url(#f)"/>`))),
    keep('words.svg', svg('<text y="15" font-size="10" font-family="Tide Square">oo</text>')),
    keep('broken.svg', '<svg><g>'),
    keep('note.png', 'ahoy'),
    keep('cut.png', (await pixels.clone().png().toBuffer()).subarray(0, 60)),
    keep('chained.svg', hostile['chained patterns']?.() ?? ''),
    keep('swelling.svg', hostile['letters without end']?.() ?? ''),
  ];
}

it(
  'takes thirty files at once, each with its own outcome, while the cloth is worked on',
  { timeout: 120_000 },
  async () => {
    page.expectComplaint(/status of 4\d\d/);
    const { driver } = page;
    const id = await tiles.open(step('square'), [{ x: 60, y: 45 }]);
    await click(driver, 'button', 'Motifs');
    const files = await mixed();
    expect(files).toHaveLength(30);
    const input = await page.find('input[type=file][multiple]');
    await input.sendKeys(files.join('\n'));

    // While they come: a motif is taken by hand and moved by keys.
    await clickAt(driver, await tiles.spot(60, 45));
    await press(driver, Key.ARROW_RIGHT);
    const arrivals = (state: string): Promise<number> =>
      driver.findElements(By.css(`[data-arrival="${state}"]`)).then((found) => found.length);
    expect((await arrivals('coming')) + (await arrivals('waiting'))).toBeGreaterThan(0);
    await waitUntilSaved(driver);
    expect(((await tiles.stored(id)) as Design).placements[0]?.x).toBeGreaterThan(60);

    await driver.wait(async () => (await arrivals('here')) + (await arrivals('refused')) === 30);
    const refused = await driver.findElements(By.css('[data-arrival="refused"]'));
    const sentences = await Promise.all(refused.map((row) => row.getText()));
    expect(sentences.map((text) => text.split('\n')[0]).sort()).toEqual([
      'broken.svg',
      'chained.svg',
      'cut.png',
      'note.png',
      'swelling.svg',
    ]);
    for (const text of sentences) expect(text).toMatch(/Nothing was (added|changed)/);
    await waitForText(driver, '25 imported, 5 refused');
    await waitForText(driver, 'Kept as a picture where it has a filter effect; the rest stays vectors. (2 files)');
  },
);

it('names the font that is missing, and sets the words anew once it is added', async () => {
  const { driver } = page;
  await waitForText(driver, 'The font “Tide Square” is missing; one drawing is set in Hanken Grotesk instead.');
  const input = await driver.findElement(By.css('input[type=file][aria-label="Font file"]'));
  await input.sendKeys(keep('tide.otf', tideFont()));
  await driver.wait(
    async () => !(await driver.findElement(By.css('body')).getText()).includes('“Tide Square” is missing'),
  );
  await page.goTo('/motifs');
  await type(driver, 'Search the drawer', 'Words', false);
  // Two letters of ten units: as wide as the page.
  await waitForText(driver, '20 mm');
  await settled(driver);
});

it('refuses to paint what lies over itself thousands deep, says so, and shows it again when it is undone', async () => {
  const { driver } = page;
  await tiles.open(step('square'), [{ x: 3, y: 3 }], { size: { width: 5, height: 5 } });
  await clickAt(driver, await tiles.spot(3, 3));
  await type(driver, 'Scale', '5000');
  await waitForText(driver, 'Make “Tile” smaller or the cell larger. Undo works too.');
  await press(driver, Key.CONTROL, 'z');
  await driver.wait(async () => (await driver.findElements(By.css('[role=alert]'))).length === 0);
});
