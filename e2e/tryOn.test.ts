import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until, type WebElement } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { TryOn } from '../core/tryon/index.ts';
import { fillOf, FIRST_WALL, planRolls } from '../core/tryon/index.ts';
import { PATIENCE } from './support/browser.ts';
import { click, drag, named, pickMotif, press, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-products-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const keep = (name: string, content: string | Buffer): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};

const api = async <T>(path: string, init?: RequestInit): Promise<T> => {
  const response = await fetch(`${page.hevrel.url}/api${path}`, {
    ...init,
    headers: { 'X-Requested-With': 'Hevrel', ...(init?.body !== undefined && { 'Content-Type': 'application/json' }) },
  });
  const text = await response.text();
  expect(response.ok, text).toBe(true);
  return JSON.parse(text || 'null') as T;
};

/** The picture as it is shown once it is there in full: RGBA. */
async function picture(): Promise<{
  width: number;
  height: number;
  at: (x: number, y: number) => number[];
  data: Buffer;
}> {
  await page.find('[data-dressed]');
  const url: string = await page.driver.executeScript(
    "return document.querySelector('[data-dressed] canvas').toDataURL()",
  );
  const { data, info } = await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  return { width, height, data, at: (x, y) => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)] };
}

async function saved(): Promise<TryOn> {
  const { driver } = page;
  await driver.executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]));');
  await driver.wait(until.elementLocated(By.css('[data-saved="saved"]')), PATIENCE, 'it is not saved');
  const id = (await driver.getCurrentUrl()).split('/').at(-1);
  return (await api<{ tryOn: TryOn }>(`/try-ons/${id}`)).tryOn;
}

/** Waits until what is saved is as it should be. */
async function untilSaved(isThere: (tryOn: TryOn) => boolean): Promise<TryOn> {
  await page.driver.wait(async () => isThere(await saved()), PATIENCE, 'what was done is not saved');
  return saved();
}

/** A place of the picture in the window, by shares of its width and height. */
async function placeOf(x: number, y: number): Promise<{ x: number; y: number }> {
  const box = await (await page.find('[data-dressed] canvas')).getRect();
  return { x: Math.round(box.x + box.width * x), y: Math.round(box.y + box.height * y) };
}

async function clickPicture(x: number, y: number): Promise<void> {
  const at = await placeOf(x, y);
  await drag(page.driver, at, at);
}

async function chooseProduct(name: string): Promise<void> {
  await click(page.driver, 'button', 'Change product');
  await (
    await page.driver.wait(
      until.elementLocated(By.xpath(`//div[@role='dialog']//button[.//span[.='${name}']]`)),
      PATIENCE,
    )
  ).click();
  await page.driver.wait(until.elementLocated(By.xpath(`//aside//span[.='${name}']`)), PATIENCE);
}

async function bringProduct(file: string): Promise<void> {
  await click(page.driver, 'button', 'Change product');
  const input: WebElement = await page.find('div[role=dialog] input[type=file]');
  await input.sendKeys(file);
}

const SUMMER = '/try-ons/low-tide-try-on-summer';

describe('a swatch on a garment', () => {
  it('has one size on all its pieces, until one is parted', async () => {
    const { driver } = page;
    await page.goTo(SUMMER);
    const before = await picture();
    await clickPicture(0.5, 0.5);
    await named(driver, 'field', 'X');
    await type(driver, 'Scale', '40');
    const together = await untilSaved(({ scale }) => scale === 0.4);
    for (const piece of ['vest', 'leg-left', 'leg-right']) expect(fillOf(together, piece).scale).toBe(0.4);
    const after = await picture();
    // Both the vest and a leg look different now.
    for (const [x, y] of [
      [0.5, 0.45],
      [0.42, 0.8],
    ] as const) {
      const strip = ({ data, width, height }: typeof before): Buffer => {
        const from = (Math.floor(height * y) * width + Math.floor(width * x)) * 4;
        return data.subarray(from, from + 160);
      };
      expect(Buffer.compare(strip(before), strip(after))).not.toBe(0);
    }
    await page.tick('A size and angle of its own');
    await untilSaved((tryOn) => fillOf(tryOn, 'vest').isParted);
    await type(driver, 'Scale', '80');
    const parted = await untilSaved((tryOn) => fillOf(tryOn, 'vest').scale === 0.8);
    expect(fillOf(parted, 'leg-left').scale).toBe(0.4);
    await press(driver, Key.CONTROL, 'z');
  });

  it('is dragged under the pointer, undone, and turned by the keys of its handle', async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-card');
    await picture();
    const before = await saved();
    const [from, to] = [await placeOf(0.3, 0.4), await placeOf(0.33, 0.46)];
    await drag(driver, from, to);
    const moved = await untilSaved((tryOn) => fillOf(tryOn, 'left').x !== fillOf(before, 'left').x);
    // The card is 105 mm wide and seen at an angle; it was dragged by some millimetres, to the right and down.
    const [dx, dy] = [
      fillOf(moved, 'left').x - fillOf(before, 'left').x,
      fillOf(moved, 'left').y - fillOf(before, 'left').y,
    ];
    expect(dx).toBeGreaterThan(3);
    expect(dx).toBeLessThan(30);
    expect(dy).toBeGreaterThan(3);
    expect(fillOf(moved, 'right')).toEqual(fillOf(before, 'right'));
    await click(driver, 'button', 'Undo');
    await untilSaved((tryOn) => fillOf(tryOn, 'left').x === fillOf(before, 'left').x);
    const handle = await page.find('[role=slider][aria-label="Rotation of the pattern"]');
    await handle.sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await untilSaved(({ rotation }) => rotation === before.rotation + 2);
    await handle.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_LEFT));
    await untilSaved(({ rotation }) => rotation === before.rotation + 2 - 15);
    expect(await (await named(driver, 'field', 'Rotation')).getAttribute('value')).toBe(`${before.rotation - 13}°`);
  });

  it('shows the same pixels as the file that is exported', { timeout: 600_000 }, async () => {
    await page.goTo('/try-ons/low-tide-try-on-cushion');
    const shown = await picture();
    const job = await api<{ id: string }>('/try-ons/files', {
      method: 'POST',
      body: JSON.stringify({
        tryOns: ['low-tide-try-on-cushion'],
        format: 'png',
        side: Math.max(shown.width, shown.height),
      }),
    });
    await page.driver.wait(
      async () => (await api<{ state: string }>(`/jobs/${job.id}`)).state === 'done',
      PATIENCE,
      'no file',
    );
    const file = Buffer.from(await (await fetch(`${page.hevrel.url}/api/exports/${job.id}/file`)).arrayBuffer());
    const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([shown.width, shown.height]);
    let [differing, sum] = [0, 0];
    data.forEach((level, i) => {
      const by = Math.abs(level - (shown.data[i] as number));
      sum += by;
      if (by > 3) differing += 1;
    });
    expect(sum / data.length).toBeLessThan(0.2);
    expect(differing / data.length).toBeLessThan(0.002);
  });

  it('follows its swatch to a new version without being opened again', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-cushion');
    const before = await picture();
    const { design } = await api<{ design: string }>('/swatches/low-tide-swatch-limpets/open', { method: 'POST' });
    const { revision, design: document } = await api<{
      revision: number;
      design: { inks: { id: string }[]; colourways: { id: string }[] };
    }>(`/designs/${design}`);
    const colours = document.inks.map(({ id }) => ({
      type: 'colour',
      ink: id,
      colour: '#117755',
      colourway: document.colourways[0]?.id,
    }));
    const changed = await api<{ revision: number }>(`/designs/${design}`, {
      method: 'PATCH',
      body: JSON.stringify({ save: 'all-to-green', revision, commands: colours }),
    });
    await api('/swatches', {
      method: 'POST',
      body: JSON.stringify({ design, revision: changed.revision, swatch: 'low-tide-swatch-limpets', note: 'Green' }),
    });
    await driver.wait(
      async () => {
        const now = await picture();
        const [r = 0, g = 0] = now.at(Math.floor(now.width / 2), Math.floor(now.height * 0.45));
        return g > r + 20;
      },
      PATIENCE,
      'the new version is not shown',
    );
    // Told to stay on the first, it is as it was.
    await page.choose('Version', 'Always version 1');
    await driver.wait(
      async () => Buffer.compare((await picture()).data, before.data) === 0,
      PATIENCE,
      'version 1 is not shown',
    );
    expect((await untilSaved(({ source }) => source.version === 1)).source).toEqual({
      swatch: 'low-tide-swatch-limpets',
      version: 1,
    });
  });
});

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
  });

  it('is lettering that was built, and its pieces are laid on cloth', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    await click(driver, 'button', 'Change product');
    await pickMotif(driver, 'Make one of a motif', 'Low Tide, lettered');
    await driver.wait(until.elementLocated(By.xpath("//aside//span[.='Low Tide, lettered']")), PATIENCE);
    await picture();
    await chooseProduct('Shorts and vest, cut pieces');
    await picture();
    await click(driver, 'button', 'Lay the pieces on cloth');
    await type(driver, 'Cloth width', '400');
    await click(driver, 'button', 'Lay them');
    await waitForText(driver, 'The cloth is too narrow for one of the pieces');
    await type(driver, 'Cloth width', '1400');
    await click(driver, 'button', 'Lay them');
    await driver.wait(until.elementLocated(By.css('[data-laid]')), PATIENCE);
    // Six pieces of about a square metre and a half on 1.4 m of width.
    await waitForText(driver, 'm of cloth.');
    expect(await driver.findElements(By.css('[aria-label="The pieces on the cloth"] path'))).toHaveLength(6);
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

describe('try-ons beside each other', () => {
  it('are scaled together, and each is saved', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons');
    for (const name of ['Strandline shade', 'Flotsam mug'])
      await (await page.find(`input[aria-label="Select ${name}"]`)).click();
    await click(driver, 'button', 'Compare');
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-dressed]'))).length === 2,
      PATIENCE,
      'two pictures',
    );
    await type(driver, 'Scale', '50');
    for (const id of ['shade', 'mug'])
      await driver.wait(
        async () => (await api<{ tryOn: TryOn }>(`/try-ons/low-tide-try-on-${id}`)).tryOn.scale === 0.5,
        PATIENCE,
        `${id} is not saved`,
      );
  });

  it('come down in one ZIP, and are deleted with an undo', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/try-ons');
    for (const name of ['Strandline shade', 'Flotsam mug'])
      await (await page.find(`input[aria-label="Select ${name}"]`)).click();
    await click(driver, 'button', 'Export');
    await type(driver, 'Longer side', '200');
    await (await page.find('div[role=dialog] button[type=submit]')).click();
    const zip = readFileSync(await page.downloaded('2 try-ons.zip'));
    expect(zip.toString('latin1')).toContain('Flotsam mug.png');
    const card = await driver.findElement(By.xpath("//li[.//span[.='Flotsam mug']]"));
    await driver.actions().move({ origin: card }).perform();
    await click(driver, 'button', 'Delete Flotsam mug');
    await waitForText(driver, '“Flotsam mug” was deleted.');
    await click(driver, 'button', 'Undo');
    await page.find('input[aria-label="Select Flotsam mug"]');
  });

  it('are begun from a design and from a swatch, once each', { timeout: 600_000 }, async () => {
    const { driver } = page;
    await page.goTo('/designs/low-tide-rock-pool');
    await (await page.driver.wait(until.elementLocated(By.linkText('Try-on')), PATIENCE)).click();
    await picture();
    const first = await driver.getCurrentUrl();
    expect((await saved()).source).toEqual({ design: 'low-tide-rock-pool' });
    await page.goTo('/designs/low-tide-rock-pool');
    await (await page.driver.wait(until.elementLocated(By.linkText('Try-on')), PATIENCE)).click();
    await picture();
    expect(await driver.getCurrentUrl()).toBe(first);
    await page.goTo('/swatches/low-tide-swatch-strandline');
    await click(driver, 'button', 'Try on');
    await picture();
    expect((await saved()).source).toEqual({ swatch: 'low-tide-swatch-strandline' });
  });
});
