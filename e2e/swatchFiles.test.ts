import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from './support/browser.ts';
import { click, drag, middleOf, press, type, waitForText, waitUntilSaved } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });
const SWATCH = '/swatches/low-tide-swatch-herring';

const submit = async (): Promise<void> =>
  (await page.driver.findElement(By.xpath("//div[@role='dialog']//button[@type='submit']"))).click();

/** Selects the first swatches of the book. */
async function selectSwatches(count: number): Promise<void> {
  const { driver } = page;
  await page.goTo('/swatches');
  await driver.wait(until.elementLocated(By.css('main li input[type=checkbox]')));
  for (const box of (await driver.findElements(By.css('main li input[type=checkbox]'))).slice(0, count))
    await box.click();
  await waitForText(driver, `${count} swatches selected`);
}

describe('several files in one go', () => {
  it('come down as one ZIP under the names of a template, each as large as was said, and they can be kept as a preset', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await click(driver, 'button', 'Export');
    await click(driver, 'radio', 'Pixel width');
    await type(driver, 'Width in pixels', '320');
    await click(driver, 'button', 'Another file');
    await click(driver, 'radio', 'SVG pattern');
    await click(driver, 'button', 'Another file');
    await click(driver, 'radio', 'PDF');
    await waitForText(driver, 'One page in true millimetres');
    await type(driver, 'File name', '{number} {name} {contents}', false);
    await driver.wait(until.elementTextIs(await page.find('[data-file-name]'), '01 Herring run tile.pdf'));
    await click(driver, 'button', 'Save as preset');
    await type(driver, 'Preset name', 'For the web and the printer');
    await driver.wait(until.elementLocated(By.xpath("//option[text()='For the web and the printer']")));
    await click(driver, 'button', 'Export 3 files');
    await waitForText(driver, 'A PDF is not redrawn and compared.');
    const zip = unzipSync(readFileSync(await page.downloaded('.zip')));
    expect(Object.keys(zip)).toEqual(['01 Herring run tile.png', '02 Herring run tile.svg', '03 Herring run tile.pdf']);
    const [png, svg, pdf] = Object.values(zip).map((content) => Buffer.from(content)) as [Buffer, Buffer, Buffer];
    expect(await sharp(png).metadata()).toMatchObject({ format: 'png', width: 320, height: 240 });
    expect(svg.toString()).toMatch(/<svg [^>]*width="160mm" height="120mm"/);
    expect(svg.toString()).toContain('<pattern id="cloth" patternUnits="userSpaceOnUse" width="160" height="120">');
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    await click(driver, 'button', 'Done');

    // The next time they are there to be taken.
    await page.goTo(SWATCH);
    await click(driver, 'button', 'Export');
    const presets = await driver.wait(until.elementLocated(By.css('[aria-label="Presets"]')));
    await presets.findElement(By.xpath("./option[text()='For the web and the printer']")).click();
    await waitForText(driver, 'Export 3 files');
  });
});

describe('a design', () => {
  it('goes out as a pack with its motifs, and a deleted preset comes back', async () => {
    const { driver } = page;
    await page.goTo('/designs/low-tide-herring-run');
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await click(driver, 'button', 'Export');
    await click(driver, 'button', 'Save as preset');
    await type(driver, 'Preset name', 'As it is');
    await driver.wait(until.elementLocated(By.xpath("//option[text()='As it is']")));
    await click(driver, 'button', 'Delete this preset');
    await driver.wait(async () => (await driver.findElements(By.xpath("//option[text()='As it is']"))).length === 0);
    await click(driver, 'button', 'Export a pack');
    const zip = unzipSync(readFileSync(await page.downloaded('Herring run pack.zip')));
    const list = JSON.parse(Buffer.from(zip['pack.json'] as Uint8Array).toString()) as { designs: { id: string }[] };
    expect(list.designs.map(({ id }) => id)).toEqual(['low-tide-herring-run']);
    const notice = "//*[contains(text(), 'The preset “As it is” was deleted.')]";
    await (
      await driver.wait(until.elementLocated(By.xpath(`${notice}/following::button[normalize-space()='Undo']`)))
    ).click();
    await click(driver, 'button', 'Export');
    await driver.wait(until.elementLocated(By.xpath("//option[text()='As it is']")));
  });
});

describe('selected swatches', () => {
  it('are compared side by side at one scale', async () => {
    const { driver } = page;
    await selectSwatches(3);
    await click(driver, 'button', 'Compare');
    const beside = await page.find('[data-beside]');
    const scale = Number(await beside.getAttribute('data-beside'));
    const sizes: string[] = await driver.executeScript(
      "return [...document.querySelectorAll('[data-beside] .bare-ground')].map((one) => one.style.backgroundSize);",
    );
    // Strandline on chalk 400 mm, Moorings 320 mm, herrings 160 mm: each tile by the same scale.
    const widths = sizes.map((size) => Math.round(Number.parseFloat(size) / scale));
    expect(widths).toHaveLength(3);
    expect(widths.every((width) => width % 10 === 0 && width >= 160 && width <= 480)).toBe(true);
    expect(new Set(widths).size).toBeGreaterThan(1);
    await click(driver, 'button', 'Zoom in');
    await driver.wait(async () => Number(await beside.getAttribute('data-beside')) > scale * 1.2);
    await click(driver, 'button', 'Back to the book');
  });

  it('go out as a pack, which comes in again, and on a sheet', async () => {
    const { driver } = page;
    await selectSwatches(2);
    await click(driver, 'button', 'Pack');
    await submit();
    const pack = await page.downloaded('2 swatches pack.zip');
    await (await driver.findElement(By.css('input[type=file][accept*=zip]'))).sendKeys(pack);
    await waitForText(driver, 'Imported 2 swatches and');
    await click(driver, 'button', 'Sheet');
    await click(driver, 'radio', 'Letter');
    await type(driver, 'Columns', '3');
    await waitForText(driver, '1 page');
    await submit();
    expect(
      readFileSync(await page.downloaded('sheet.pdf'))
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });

  it('say which file could not be imported, and why', async () => {
    const { driver } = page;
    page.expectComplaint(/packs\/import.*422/);
    await page.goTo('/swatches');
    const input = await driver.wait(until.elementLocated(By.css('input[type=file][accept*=zip]')));
    await input.sendKeys(join(import.meta.dirname, 'swatchFiles.test.ts'));
    await waitForText(driver, 'swatchFiles.test.ts: This is not a whole pack: it is no ZIP or cut short.');
  });
});

describe('real scale', () => {
  it('shows three by three repeats with a hand beside, which is moved about, and what a width holds', async () => {
    const { driver } = page;
    await page.goTo(SWATCH);
    await click(driver, 'button', '3 × 3');
    const thing = await driver.findElement(By.xpath("//label[contains(., 'Lay on it')]/select"));
    await thing.findElement(By.xpath("./option[text()='A hand']")).click();
    const hand = await page.find('[data-laid="hand"]');
    const scale = Number(await (await page.find('[data-scale]')).getAttribute('data-scale'));
    const box = async (): Promise<{ x: number; width: number; height: number }> =>
      driver.executeScript(
        "const { x, width, height } = document.querySelector('[data-laid]').getBoundingClientRect(); return { x, width, height };",
      );
    const before = await box();
    expect(before.width / scale).toBeCloseTo(105, 0);
    expect(before.height / scale).toBeCloseTo(190, 0);
    const from = await middleOf(driver, '[data-laid="hand"]');
    await drag(driver, from, { x: from.x + 120, y: from.y - 40 });
    await driver.wait(async () => Math.abs((await box()).x - before.x - 120) < 3, PATIENCE, 'the hand did not follow');
    expect(await hand.getAttribute('aria-label')).toBe('A hand, drag to move');
    // 160 mm cells: eight of them, 120 mm left.
    await type(driver, 'Width of the cloth', '1400');
    await waitForText(driver, '8 across, 120 mm left over');
    await type(driver, 'Width of the cloth', '2in*100');
    await waitForText(driver, '31 across, 120 mm left over');
  });

  it('is rescaled with all that lies in it, so that so many repeats fit across a width', async () => {
    const { driver } = page;
    await page.goTo('/designs/low-tide-herring-run');
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await click(driver, 'button', 'Repeat');
    const read = async () =>
      (await (await fetch(`${page.hevrel.url}/api/designs/low-tide-herring-run`)).json()) as {
        design: { repeat: { width: number; height: number }; placements: { x: number; scale: number }[] };
      };
    const { design: before } = await read();
    await type(driver, 'Repeats', '10');
    await type(driver, 'across a width of', '1000');
    await click(driver, 'button', 'Rescale');
    await waitUntilSaved(driver);
    const { design: after } = await read();
    const by = 100 / before.repeat.width;
    expect(after.repeat.width).toBeCloseTo(100, 9);
    expect(after.repeat.height).toBeCloseTo(before.repeat.height * by, 9);
    for (const [n, { x, scale }] of before.placements.entries()) {
      expect(after.placements[n]?.x).toBeCloseTo(x * by, 9);
      expect(after.placements[n]?.scale).toBeCloseTo(scale * by, 9);
    }
    await press(driver, Key.CONTROL, 'z');
    await waitUntilSaved(driver);
    expect((await read()).design.repeat).toEqual(before.repeat);
  });
});
