import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Design } from '../core/document/index.ts';
import { alike, click, press, settledShot, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });
const ID = 'low-tide-herring-run';

async function openColour(): Promise<void> {
  await page.goTo(`/designs/${ID}`);
  await page.driver.wait(until.elementLocated(By.css('[data-cell]')));
  await click(page.driver, 'button', 'Colour');
}

const stored = async (): Promise<Design> => {
  const answer = await fetch(`${page.hevrel.url}/api/designs/${ID}`);
  return ((await answer.json()) as { design: Design }).design;
};

/** Waits until the saved design is as it should be. */
async function saved(holds: (design: Design) => boolean): Promise<Design> {
  let design = await stored();
  await page.driver.wait(async () => holds((design = await stored())), 20_000);
  return design;
}

/** How many of the places looked at on the plates have a colour. */
async function countOnPlates(rgb: readonly number[]): Promise<number> {
  const { x, y, width, height } = await (await page.find('[data-plates]')).getRect();
  const seen = await settledShot(page.driver);
  let count = 0;
  for (let v = y + 4; v < y + height - 4; v += 4)
    for (let u = x + 4; u < x + width - 4; u += 4) if (alike(seen.at(u, v), rgb, 6)) count += 1;
  return count;
}

describe('separations', () => {
  it('show plates together, singly and as film, and are exported as one file for each ink', async () => {
    const { driver } = page;
    await openColour();
    await click(driver, 'button', 'Separations');
    await page.find('[data-plates]');
    await waitForText(driver, 'The plates leave no gaps and do not print on each other.');
    const [indigo, white, black] = [
      [0x23, 0x30, 0x4d],
      [255, 255, 255],
      [0, 0, 0],
    ] as const;
    const fish = await countOnPlates(indigo);
    expect(fish).toBeGreaterThan(100);
    await (await page.find('input[aria-label="Show Indigo"]')).click();
    expect(await countOnPlates(indigo)).toBe(0);
    // Without its plate there is paper where the ink was.
    expect(await countOnPlates(white)).toBeGreaterThan(0.9 * fish);
    for (const name of ['Ground', 'Chalk', 'Shell', 'Madder', 'Indigo'])
      await (await page.find(`input[aria-label="Show ${name}"]`)).click();
    await page.tick('As film, in black');
    const film = await countOnPlates(black);
    expect(Math.abs(film - fish)).toBeLessThan(0.1 * fish);

    await type(driver, 'Density', '100');
    await click(driver, 'radio', 'Flat');
    await click(driver, 'button', 'Export plates');
    const files = unzipSync(readFileSync(await page.downloaded('Herring run, Base plates.zip')));
    expect(Object.keys(files)).toEqual([
      '01 Ground.tif',
      '02 Chalk.tif',
      '03 Shell.tif',
      '04 Madder.tif',
      '05 Indigo.tif',
      'Plates.txt',
    ]);
    const { width, density } = await sharp(files['05 Indigo.tif']).metadata();
    // The tile of a brick is two cells high, and 14 mm of margin lie all around.
    expect(Math.abs((width ?? 0) - (188 * 100) / 25.4)).toBeLessThan(3);
    expect(density).toBe(100);
  });
});

describe('the ground', () => {
  it('becomes checks, then linen, in inks of the design, and is undone step by step', async () => {
    const { driver } = page;
    await openColour();
    await page.choose('Kind of ground', 'Checks');
    const checked = await saved(({ ground }) => ground.kind === 'checks');
    expect(checked.inks).toHaveLength(8);
    await type(driver, 'Checks across', '3');
    // A brick of a half lets only even numbers of bands across through.
    await waitForText(driver, 'This step needs 4 across to close, so that is what is used.');
    await page.choose('Kind of ground', 'Texture');
    await click(driver, 'radio', 'Grain');
    await saved(({ ground }) => ground.kind === 'texture' && ground.texture === 'grain');
    const { x, y, width } = await (await page.find('[data-cloth]')).getRect();
    const seen = await settledShot(driver);
    const row = new Set<string>();
    for (let u = x + 20; u < x + width - 20; u += 1) row.add(seen.at(u, y + 240).join());
    expect(row.size).toBeGreaterThan(20);
    for (let n = 0; n < 4; n++) await press(driver, Key.CONTROL, 'z');
    await saved(({ ground, inks }) => ground.kind === 'flat' && inks.length === 7);
  });

  it('takes a darker colour from the ramp of another ink', async () => {
    const { driver } = page;
    await openColour();
    const before = (await stored()).colourways[0]?.colours;
    await click(driver, 'button', 'Change the ink Shell');
    await click(driver, 'radio', 'The ground');
    await (await page.find('[aria-label="Darker to lighter"] button:nth-child(2)')).click();
    const { colourways } = await saved((design) => design.colourways[0]?.colours['ground'] !== before?.['ground']);
    const { ground, shell } = colourways[0]?.colours ?? {};
    expect(shell).toBe(before?.['shell']);
    const lightness = (hex = ''): number => Number.parseInt(hex.slice(3, 5), 16);
    expect(lightness(ground)).toBeLessThan(lightness(shell));
    await press(driver, Key.CONTROL, 'z');
    await saved((design) => design.colourways[0]?.colours['ground'] === before?.['ground']);
  });
});
