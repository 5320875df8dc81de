import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { FIRST_WALL, planRolls } from '../core/tryon/index.ts';
import { PATIENCE } from './support/browser.ts';
import { click, drag, named, pickMotif, press, strokeByKeys, tabTo, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { tryOnHands } from './support/tryOnHands.ts';
import { removeFolder } from '../server/testing/folders.ts';

const page = useStudio({ samples: true });
const { api, picture, saved, untilSaved, chooseProduct, bringProduct } = tryOnHands(page);
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-products-'));
});
afterAll(() => removeFolder(folder));

const repeated = (key: string, times: number): string[] => Array.from({ length: times }, () => key);
const keep = (name: string, content: string | Buffer): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};

describe('a product of one’s own', () => {
  it('is any closed outline, filled at the size that is typed', async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    const heart = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="180mm" viewBox="0 0 200 180"><path fill="#888" d="M100 180C0 100 0 0 60 0C90 0 100 30 100 40C100 30 110 0 140 0C200 0 200 100 100 180Z"/></svg>`;
    await bringProduct(keep('Big heart.svg', heart));
    await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Big heart']")), PATIENCE);
    const { at, width, height } = await picture();
    // Cloth in the middle of it, and none in the corner.
    expect(at(4, 4)).toEqual([0xeb, 0xe6, 0xda]);
    const middle = Array.from({ length: 60 }, (_, n) =>
      at(Math.floor(width * (0.3 + n / 150)), Math.floor(height * 0.4)).join(),
    );
    expect(new Set(middle).size).toBeGreaterThan(3);
    await type(driver, 'Width of the drawing', '400');
    await waitForText(driver, '400 × ');
    expect((await saved()).scale).toBe(0.25);
    await click(driver, 'button', 'Undo');
    await waitForText(driver, '161.9 × ');
  });

  it('is lettering that was built, and its pieces are laid on cloth', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    await click(driver, 'button', 'Change product');
    await pickMotif(driver, 'Make one from a motif', 'Low Tide, lettered');
    await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Low Tide, lettered']")), PATIENCE);
    await picture();
    await chooseProduct('Shorts and vest, cut pieces');
    await picture();
    await click(driver, 'button', 'Lay the pieces on cloth');
    await type(driver, 'Cloth width', '400');
    await click(driver, 'button', 'Lay the pieces');
    await waitForText(driver, 'The cloth is too narrow for one of the pieces');
    await type(driver, 'Cloth width', '1400');
    await click(driver, 'button', 'Lay the pieces');
    await driver.wait(until.elementLocated(By.css('[data-laid]')), PATIENCE);
    // Six pieces of about a square metre and a half on 1.4 m of width.
    await waitForText(driver, 'm of cloth.');
    expect(await driver.findElements(By.css('[data-laid-piece]'))).toHaveLength(6);
    await page.tick('Keep the pattern placed as shown');
    await click(driver, 'button', 'Lay the pieces');
    await driver.wait(until.elementLocated(By.css('[data-laid="done"]')), PATIENCE);
    expect(await driver.findElements(By.css('[data-laid-piece]'))).toHaveLength(6);
    // Each has its pattern, its name and its grain; the cloth its width.
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-laid-piece] image'))).length === 6,
      PATIENCE,
      'the pieces are not printed',
    );
    expect(await driver.findElements(By.css('[data-laid-piece] [data-grain="up"]'))).toHaveLength(6);
    expect(await driver.findElement(By.css('[aria-label="Cutting layout"]')).getText()).toContain('1400 mm');
    await press(driver, Key.ESCAPE);
    await waitForText(driver, 'of 6 seams.');
    await click(driver, 'button', 'Match the pattern at the seams');
    await driver.wait(
      // A tree through the pieces of each garment; the seams that close a ring meet only where the repeat allows it.
      async () => /at [4-6] of 6 seams/.test(await driver.findElement(By.css('aside')).getText()),
      PATIENCE,
      'the seams are not matched',
    );
  });

  it('says in a sentence what is wrong with a file that has nothing to fill, or is none', async () => {
    const { driver } = page;
    page.expectComplaint(/422|415/);
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    const open =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 20"><path fill="none" stroke="#000" d="M0 0L20 20"/></svg>';
    await bringProduct(keep('open.svg', open));
    await waitForText(driver, 'It has no closed outline that cloth could fill.');
    await (await page.find('div[role=dialog] input[type=file]')).sendKeys(keep('words.png', 'no picture at all'));
    await waitForText(driver, 'is no SVG and no photograph, whatever its name says.');
  });

  it('is a photograph whose corners are marked', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    const wall = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#8899aa' } })
      .png()
      .toBuffer();
    await bringProduct(keep('Shop front.png', wall));
    await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Shop front']")), PATIENCE);
    await picture();
    await (await driver.findElement(By.linkText('Mark the faces on the photograph'))).click();
    const pin = await page.find('button[aria-label="Top left corner"]');
    const box = await pin.getRect();
    const from = { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
    // On top of the corner opposite: no face is left.
    await drag(driver, from, { x: from.x + 120, y: from.y + 400 });
    await waitForText(driver, 'Put the corners in order around the face.');
    expect(await (await named(driver, 'button', 'Use these faces')).isEnabled()).toBe(false);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await named(driver, 'button', 'Use these faces')).isEnabled(), PATIENCE);
    await pin.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_LEFT), Key.ARROW_UP);
    await type(driver, 'Width', '900');
    await click(driver, 'button', 'Use these faces');
    const { at, width, height } = await picture();
    const { product } = await saved();
    const { marked } = await api<{
      marked: { faces: { face: { corners: { x: number; y: number }[]; width: number } }[] };
    }>(`/products/${product}/photograph`);
    expect(marked.faces[0]?.face).toMatchObject({ width: 900 });
    expect(marked.faces[0]?.face.corners[0]).toEqual({ x: 190, y: 149 });
    expect(at(5, 5)).toEqual([0x88, 0x99, 0xaa]);
    const middle = Array.from({ length: 60 }, (_, n) =>
      at(Math.floor(width * (0.35 + n / 200)), Math.floor(height * 0.5)).join(),
    );
    expect(new Set(middle).size).toBeGreaterThan(3);
  });

  it('is masked by brush and by colour, each stroke undone by itself', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    // Grey, with a red square in its middle.
    const square = await sharp({ create: { width: 200, height: 150, channels: 3, background: '#cc2211' } })
      .png()
      .toBuffer();
    const room = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#8899aa' } })
      .composite([{ input: square, left: 300, top: 225 }])
      .png()
      .toBuffer();
    await bringProduct(keep('Red square.png', room));
    await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Red square']")), PATIENCE);
    await picture();
    await (await driver.findElement(By.linkText('Mark the faces on the photograph'))).click();
    await page.find('[data-photograph]');
    await click(driver, 'radio', 'Pick a colour');
    const box = await (await page.find('[data-mask-tool=pick]')).getRect();
    const at = (x: number, y: number) => ({
      x: Math.round(box.x + box.width * x),
      y: Math.round(box.y + box.height * y),
    });
    await drag(driver, at(0.5, 0.5), at(0.5, 0.5));
    await click(driver, 'radio', 'Brush');
    await drag(driver, at(0.3, 0.3), at(0.7, 0.3));
    await drag(driver, at(0.3, 0.7), at(0.7, 0.7));
    await press(driver, Key.CONTROL, 'z');
    // By keys, the pointer being elsewhere: 160 pixels below the middle, 60 to the right.
    await click(driver, 'radio', 'Brush');
    await tabTo(driver, '[data-mask-tool=brush]');
    await strokeByKeys(driver, repeated(Key.ARROW_DOWN, 8), repeated(Key.ARROW_RIGHT, 3));
    const down = 0.5 + 160 / box.height;
    await driver.wait(
      () =>
        driver.executeScript<boolean>(
          `const mask = document.querySelector('canvas[role=img]');
           const [x, y] = [mask.width * 0.52, mask.height * arguments[0]];
           return mask.getContext('2d').getImageData(x, y, 1, 1).data[3] > 100;`,
          down,
        ),
      PATIENCE,
      'what the keys hid is not shown',
    );
    await click(driver, 'button', 'Use these faces');
    const shown = await picture();
    const { product } = await saved();
    const { marked } = await api<{ marked: { faces: { mask: { kind: string }[] }[] } }>(
      `/products/${product}/photograph`,
    );
    expect(marked.faces[0]?.mask.map(({ kind }) => kind)).toEqual(['pick', 'stroke', 'stroke']);
    const pixel = (x: number, y: number): number[] =>
      shown.at(Math.round(shown.width * x), Math.round(shown.height * y));
    // The square is hidden and so is what was brushed; beside them is cloth.
    expect(pixel(0.5, 0.5)).toEqual([0xcc, 0x22, 0x11]);
    expect(pixel(0.45, 0.3)).toEqual([0x88, 0x99, 0xaa]);
    expect(pixel(0.52, down)).toEqual([0x88, 0x99, 0xaa]);
    const row = Array.from({ length: 40 }, (_, n) => pixel(0.3 + n / 100, 0.7).join());
    expect(new Set(row).size).toBeGreaterThan(3);
  });
});

describe('a papered wall', () => {
  it('shows its drops and counts its rolls, of a half-drop too', async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-hall');
    await picture();
    await chooseProduct('Wall, straight on');
    await picture();
    await type(driver, 'Wall width', '4300');
    await click(driver, 'radio', 'Half-drop');
    const tryOn = await untilSaved(({ wall }) => wall?.width === 4300 && wall.match === 'half-drop');
    const { design } = await api<{ design: { repeat: { height: number } } }>('/swatches/low-tide-swatch-moorings');
    const plan = planRolls({
      ...FIRST_WALL,
      width: 4300,
      match: 'half-drop',
      repeat: design.repeat.height * tryOn.scale,
    });
    await page.find(`[data-rolls="${plan.rolls}"]`);
    await page.find(`[data-drops="${plan.drops.length}"]`);
    expect(plan.drops).toHaveLength(9);
    await type(driver, 'Roll length', '2000');
    await waitForText(driver, 'Use longer rolls.');
  });
});
