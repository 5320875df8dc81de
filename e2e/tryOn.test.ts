import { readFileSync } from 'node:fs';
import { PDFDocument } from 'pdf-lib';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { fillOf, type TryOn } from '../core/tryon/index.ts';
import { PATIENCE } from './support/browser.ts';
import { click, drag, named, press, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { tryOnHands } from './support/tryOnHands.ts';

const page = useStudio({ samples: true });
const { api, picture, saved, untilSaved, placeOf, clickPicture, chooseProduct } = tryOnHands(page);
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
    await page.tick('Use a different size and angle here');
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
    // The piece is selected by its name, without pointing.
    await (await named(driver, 'button', 'Right page')).sendKeys(Key.ENTER);
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

  it('go out on sheets of paper, and say where that cannot be', { timeout: 600_000 }, async () => {
    const { driver } = page;
    page.expectComplaint(/422/);
    await page.goTo('/try-ons');
    await (await page.find('input[aria-label="Select Flotsam mug"]')).click();
    await click(driver, 'button', 'Export');
    await click(driver, 'radio', 'SVG');
    await (await page.find('div[role=dialog] button[type=submit]')).click();
    await waitForText(driver, 'does not lie flat');
    await page.goTo('/try-ons/low-tide-try-on-mug');
    await picture();
    await chooseProduct('Envelope liner');
    await picture();
    await untilSaved(({ product }) => product === 'envelope');
    await click(driver, 'button', 'Export');
    await click(driver, 'radio', 'PDF');
    await click(driver, 'radio', 'Landscape');
    await type(driver, 'Bleed', '3');
    await (await page.find('div[role=dialog] button[type=submit]')).click();
    const pdf = readFileSync(await page.downloaded('.pdf'));
    const document = await PDFDocument.load(pdf);
    const { width, height } = document.getPage(0).getSize();
    expect([Math.round((width * 25.4) / 72), Math.round((height * 25.4) / 72)]).toEqual([297, 210]);
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
