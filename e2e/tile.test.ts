import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { OWN_HEADER, type Scan, type StoredDesign } from '../contract/index.ts';
import { mirroredStep, SQUARE, step } from '../core/lattice/index.ts';
import type { PixelImage } from '../core/scan/index.ts';
import { makeTile } from '../core/tile/index.ts';
import { texture } from '../core/testing/textures.ts';
import { PATIENCE } from './support/browser.ts';
import {
  alike,
  click,
  clickAt,
  drag,
  middleOf,
  named,
  press,
  settledShot,
  strokeByKeys,
  tabTo,
  type,
  waitForText,
} from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio();
const [WIDTH, HEIGHT] = [480, 360];

/** Puts a texture on the shelf and opens the page that makes it repeat. */
const openTile = (number = 3): Promise<Scan> => openPicture(`texture-${number}.png`, texture(number, WIDTH, HEIGHT));

async function openPicture(name: string, { width, height, data }: PixelImage): Promise<Scan> {
  const { driver } = page;
  const png = await sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
  const answer = await fetch(`${page.hevrel.url}/api/scans?name=${name}`, {
    method: 'POST',
    headers: { ...OWN_HEADER },
    body: new Uint8Array(png),
  });
  const scan = (await answer.json()) as Scan;
  await page.goTo(`/workshop/${scan.id}`);
  await click(driver, 'link', 'Make it repeat');
  await made();
  return scan;
}

const made = (): Promise<unknown> =>
  page.driver.wait(
    async () =>
      (await page.driver.findElements(By.css('[data-tiling][aria-busy="false"] [data-tile-cloth]'))).length > 0,
    PATIENCE,
    'no cloth is shown',
  );

/** The pixels of the cloth that is shown, as a text that is the same for the same pixels. */
const cloth = async (): Promise<string> => {
  await made();
  return page.driver.executeScript(
    'return document.querySelector("[data-tiling] [data-tile-cloth]").toDataURL().slice(-4000);',
  );
};
const value = async (label: string): Promise<string> =>
  (await (await named(page.driver, 'field', label)).getAttribute('value')) ?? '';

/** The design that was made, once it is there. */
async function designMade(): Promise<StoredDesign> {
  const { driver } = page;
  await driver.wait(until.urlContains('/designs/'), PATIENCE);
  await driver.wait(until.elementLocated(By.css('[data-cell]')), PATIENCE);
  const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1);
  return (await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign;
}

describe('a picture made to repeat', () => {
  it('is mirrored about a detail that is dragged to a new place, and becomes a design', async () => {
    const { driver } = page;
    await openTile();
    const before = await cloth();
    const middle = await middleOf(driver, '[data-frame-scale] polygon');
    const scale = Number(await driver.findElement(By.css('[data-frame-scale]')).getAttribute('data-frame-scale'));
    await drag(driver, middle, { x: middle.x + 40, y: middle.y - 24 });
    expect(Number.parseFloat(await value('Centre X'))).toBeCloseTo(WIDTH / 2 + 40 / scale, 0);
    const after = await cloth();
    expect(after).not.toBe(before);
    // What is dragged by hand is undone as one; keys move it by a pixel.
    await press(driver, Key.CONTROL, 'z');
    expect(await value('Centre X')).toBe(`${WIDTH / 2} px`);
    expect(await cloth()).toBe(before);
    await driver.executeScript('document.querySelector("[data-frame-scale] polygon").focus()');
    await press(driver, Key.ARROW_RIGHT);
    await press(driver, Key.SHIFT, Key.ARROW_DOWN);
    expect([await value('Centre X'), await value('Centre Y')]).toEqual([
      `${WIDTH / 2 + 1} px`,
      `${HEIGHT / 2 + 10} px`,
    ]);
    // A corner resizes it, the one across from it staying; the pin turns it.
    const corner = await middleOf(driver, '[data-corner="1 1"]');
    await drag(driver, corner, { x: corner.x - 30, y: corner.y - 10 });
    expect(Number.parseFloat(await value('Width'))).toBeCloseTo(WIDTH / 2 - 30 / scale, 0);
    const pin = await middleOf(driver, '[data-turn-frame]');
    await drag(driver, pin, { x: pin.x + 60, y: pin.y + 8 });
    expect(Number.parseFloat(await value('Rotation'))).toBeGreaterThan(10);
    await type(driver, 'Rotation', '0');
    await click(driver, 'button', 'Create design');
    const { design } = await designMade();
    const frame = { width: WIDTH / 2 - 30 / scale, height: HEIGHT / 2 - 10 / scale };
    expect(design.repeat.step).toEqual(SQUARE);
    expect(design.repeat.height / design.repeat.width).toBeCloseTo(frame.height / frame.width, 2);
    expect(design.placements).toHaveLength(1);
    // The whole cloth is covered: nothing of the ground is to be seen.
    const shot = await settledShot(driver);
    for (let x = 80; x < 940; x += 9)
      for (let y = 70; y < 690; y += 9) {
        const [r = 0, , b = 0] = shot.at(x, y);
        // Overlays are white, black or blue; the ground is of a warm white that no pebble has.
        expect(r > 236 && b > 220 && r < 250 && b < 235).toBe(false);
      }
  });

  it('takes the shape of any symmetry, each shown as this very frame', async () => {
    const { driver } = page;
    await openTile(0);
    await driver.wait(
      async () => (await driver.findElements(By.css('[role="radio"] [data-tile-cloth]'))).length >= 17,
      PATIENCE,
      'the symmetries are not shown',
    );
    const star = await driver.findElement(By.css('[role="radio"][aria-label^="p6m"]'));
    await star.click();
    const shape = await driver.findElement(By.css('[data-frame-scale] polygon')).getAttribute('points');
    expect((shape ?? '').trim().split(' ')).toHaveLength(3);
    expect(await driver.findElements(By.xpath('//label[normalize-space()="Height"]'))).toHaveLength(0);
    await click(driver, 'button', 'Create design');
    const { design } = await designMade();
    expect(design.repeat.step.kind).toBe('brick');
    expect(design.repeat.height / design.repeat.width).toBeCloseTo(Math.sqrt(3) / 2, 6);
  });

  it('is turned inside out, joined by itself with what the join shows, and changed later', async () => {
    const { driver } = page;
    const scan = await openTile(9);
    await click(driver, 'radio', 'Halves');
    const halves = await cloth();
    await click(driver, 'radio', 'Half-drop');
    expect(await cloth()).not.toBe(halves);
    await click(driver, 'radio', 'Automatic');
    await waitForText(driver, 'it does not show');
    const joined = Number(await driver.findElement(By.css('[data-join]')).getAttribute('data-join'));
    expect(joined).toBeLessThan(1.1);
    await (await named(driver, 'field', 'Blend the remaining seam')).click();
    await made();
    await driver.wait(
      async () => Number(await driver.findElement(By.css('[data-join]')).getAttribute('data-join')) > joined,
      PATIENCE,
    );
    await type(driver, 'Width', '4');
    await waitForText(driver, 'is too small to lie over itself');
    expect(await (await named(driver, 'button', 'Create design')).isEnabled()).toBe(false);
    await type(driver, 'Width', '240');
    await made();
    await click(driver, 'button', 'Create design');
    const { design } = await designMade();
    const [placement] = design.placements;
    await page.goTo(`/workshop/${scan.id}/tile?motif=${placement?.motif}`);
    await made();
    await driver.findElement(By.css('[role="radio"][aria-checked="true"]'));
    await click(driver, 'radio', 'Symmetry');
    await click(driver, 'button', 'Update motif');
    await waitForText(driver, 'The motif is updated wherever it is used.');
    const stored = (await (await fetch(`${page.hevrel.url}/api/motifs/${placement?.motif}`)).json()) as {
      recipe: unknown;
    };
    expect(stored.recipe).toMatchObject({ kind: 'tile', way: { kind: 'laid', step: mirroredStep(SQUARE, 'both') } });
  });

  it('has the cross of its halves painted over by what lies elsewhere, in every repeat', async () => {
    const { driver } = page;
    await openTile(3);
    await click(driver, 'radio', 'Halves');
    await cloth();
    /** The colour of the cloth at a place of it, CSS pixels. */
    const colour = (x: number, y: number): Promise<number[]> =>
      driver.executeScript(
        `const canvas = document.querySelector('[data-tiling] [data-tile-cloth]');
         const scale = canvas.width / canvas.getBoundingClientRect().width;
         return [...canvas.getContext('2d').getImageData(Math.round(arguments[0] * scale), Math.round(arguments[1] * scale), 1, 1).data];`,
        x,
        y,
      );
    const box: { left: number; top: number; width: number } = await driver.executeScript(
      "const b = document.querySelector('[data-tiling] [data-tile-cloth]').getBoundingClientRect(); return { left: b.left, top: b.top, width: b.width };",
    );
    const [take, put] = [
      { x: 60, y: 70 },
      { x: 150, y: 110 },
    ];
    await type(driver, 'Width', '200');
    await cloth();
    const wanted = await colour(take.x, take.y);
    const before = await cloth();
    await click(driver, 'radio', 'Sample');
    await clickAt(driver, { x: box.left + take.x, y: box.top + take.y });
    await driver.findElement(By.css('[data-clone="paint"]'));
    const from = { x: box.left + put.x, y: box.top + put.y };
    await drag(driver, from, { x: from.x + 20, y: from.y });
    expect(await cloth()).not.toBe(before);
    expect(alike(await colour(put.x, put.y), wanted, 12)).toBe(true);
    // Two cells fill the width: it is there again in the next.
    expect(alike(await colour(put.x + box.width / 2, put.y), wanted, 12)).toBe(true);
    await waitForText(driver, 'One stroke.');
    // The page is left in the middle of it, and goes on.
    await driver.navigate().refresh();
    await waitForText(driver, 'One stroke.');
    expect(await value('Width')).toBe('200 px');
    // By keys alone: taken from the middle, painted to the right of it.
    await click(driver, 'radio', 'Sample');
    await tabTo(driver, '[data-clone]');
    await strokeByKeys(driver, [], []);
    await strokeByKeys(driver, [Key.ARROW_RIGHT, Key.ARROW_RIGHT], [Key.ARROW_DOWN]);
    await waitForText(driver, '2 strokes.');
    await click(driver, 'button', 'Create design');
    const { design } = await designMade();
    const stored = (await (await fetch(`${page.hevrel.url}/api/motifs/${design.placements[0]?.motif}`)).json()) as {
      recipe: { clones: unknown[] };
    };
    expect(stored.recipe.clones).toHaveLength(2);
  });

  it('is told for a broken tile, trimmed, recognised and healed', async () => {
    const { driver } = page;
    // A half-drop that is seamless, but for two white columns along its right edge.
    const way = { kind: 'joined', step: step('half-drop'), overlap: 0.2, spread: true, even: false } as const;
    const frame = { x: 240, y: 180, width: 480, height: 360, rotation: 0 };
    const { pixels } = makeTile(texture(0, WIDTH, HEIGHT), { frame, width: 100, way });
    const { width, height, data } = pixels;
    const wide = new Uint8ClampedArray(4 * (width + 2) * height).fill(255);
    for (let y = 0; y < height; y += 1)
      wide.set(data.subarray(4 * y * width, 4 * (y + 1) * width), 4 * y * (width + 2));
    await openPicture('bought.png', { width: width + 2, height, data: wide });
    await click(driver, 'radio', 'As it is');
    // A picture that has not been framed yet is the tile.
    await waitForText(driver, '2 px along the right edge do not belong to it.');
    await click(driver, 'button', 'Trim');
    await waitForText(driver, 'Seamless as a half-drop.');
    expect(await value('Width')).toBe(`${width} px`);
    await click(driver, 'button', 'Use half-drop');
    await made();
    expect(await driver.findElements(By.css('[data-breaks="0"]'))).toHaveLength(1);
    // Cut narrower, its sides no longer meet; healed, they do.
    await type(driver, 'Width', String(width - 11));
    await waitForText(driver, 'The sides do not meet');
    expect(Number(await driver.findElement(By.css('[data-breaks]')).getAttribute('data-breaks'))).toBeGreaterThan(20);
    await click(driver, 'button', 'Heal');
    await waitForText(driver, 'it does not show');
    await click(driver, 'button', 'Create design');
    const { design } = await designMade();
    expect(design.repeat.step).toEqual(step('half-drop'));
    await click(driver, 'button', 'Save swatch');
    await waitForText(driver, 'Saved');
  });

  it('is one tile of an SVG’s pattern', async () => {
    const { driver } = page;
    await page.goTo('/workshop');
    const dots = [
      [0, 0],
      [30, 0],
      [0, 20],
      [30, 20],
      [15, 10],
    ].map(([x, y]) => `<circle cx="${x}" cy="${y}" r="5" fill="#b3402e"/>`);
    const file = join(page.browser.downloads, '..', 'spots.svg');
    writeFileSync(
      file,
      `<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="60mm" viewBox="0 0 90 60"><pattern id="p" width="30" height="20" patternUnits="userSpaceOnUse"><rect width="30" height="20" fill="#f4e7d0"/>${dots.join('')}</pattern><rect width="90" height="60" fill="url(#p)"/></svg>`,
    );
    await (await page.find('input[type="file"]')).sendKeys(file);
    await click(driver, 'link', 'Make it repeat');
    await made();
    await click(driver, 'radio', 'As it is');
    await waitForText(driver, 'Seamless as a square.');
    await waitForText(driver, 'A cell of 30 mm × 20 mm');
  });

  it('shows its own repeat, which is framed', async () => {
    const { driver } = page;
    // Dots every 40 by 36 pixels, every other column half a cell lower.
    const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT).fill(255);
    for (let y = 0; y < HEIGHT; y += 1)
      for (let x = 0; x < WIDTH; x += 1) {
        const column = Math.floor(x / 40);
        const down = (y + (column % 2) * 18) % 36;
        const level = 230 - 150 * Math.exp(-(((x % 40) - 20) ** 2 + (down - 18) ** 2) / 60);
        data.set([level, level, 200], 4 * (y * WIDTH + x));
      }
    await openPicture('dots.png', { width: WIDTH, height: HEIGHT, data });
    await click(driver, 'radio', 'As it is');
    await click(driver, 'button', 'Find its own repeat');
    await driver.wait(async () => Math.abs(Number.parseFloat(await value('Width')) - 40) < 0.5, PATIENCE);
    expect(Number.parseFloat(await value('Height'))).toBeCloseTo(36, 0);
    await driver.wait(
      until.elementLocated(By.xpath('//*[@role="radio"][@aria-checked="true"][.="Half-drop"]')),
      PATIENCE,
    );
    await openTile(1);
    await click(driver, 'radio', 'As it is');
    await click(driver, 'button', 'Find its own repeat');
    await waitForText(driver, 'This picture shows no repeat of its own.');
  });
});
