import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { cellOnScreen, click, clickAt, middleOf, press, settled } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const page = useStudio({ samples: true });

/** Selects the stem of the kelp forest, to draw on. */
const takeKelpStem = async (driver: WebDriver): Promise<void> => {
  const { left, top, scale } = await cellOnScreen(driver);
  await settled(driver);
  await clickAt(driver, { x: left + 37 * scale, y: top + scale });
  await click(driver, 'button', 'Draw');
};

const DESIGN = '/designs/low-tide-limpets-and-rope';

interface Screen {
  readonly name: string;
  readonly path: string;
  readonly prepare?: (driver: WebDriver) => Promise<unknown>;
}

const SCREENS: readonly Screen[] = [
  { name: 'the table', path: '/' },
  { name: 'a new design', path: '/', prepare: (driver) => click(driver, 'button', 'New design') },
  { name: 'the cloth', path: DESIGN },
  {
    name: 'a motif chosen, with all its numbers',
    path: DESIGN,
    prepare: async (driver) => (await press(driver, 'n'), click(driver, 'button', 'Numbers')),
  },
  { name: 'several chosen', path: DESIGN, prepare: (driver) => press(driver, Key.CONTROL, 'a') },
  {
    name: 'the stack',
    path: DESIGN,
    prepare: async (driver) => (await click(driver, 'radio', 'Layers'), click(driver, 'button', 'New layer')),
  },
  { name: 'the toss', path: '/designs/low-tide-flotsam', prepare: (driver) => click(driver, 'button', 'Toss') },
  {
    name: 'a row and its recipe',
    path: '/designs/low-tide-quayside',
    prepare: (driver) => click(driver, 'radio', 'Rows'),
  },
  {
    name: 'the check',
    path: '/designs/low-tide-flotsam',
    prepare: async (driver) => (
      await click(driver, 'button', 'Check'),
      driver.wait(until.elementLocated(By.css('[data-check="done"]')))
    ),
  },
  {
    name: 'a honeycomb’s repeat',
    path: '/designs/low-tide-rock-pool',
    prepare: (driver) => click(driver, 'button', 'Repeat'),
  },
  {
    name: 'turned cells and their centres',
    path: '/designs/low-tide-tide-wheel',
    prepare: (driver) => click(driver, 'button', 'Repeat'),
  },
  {
    name: 'a picture made to repeat',
    path: '/workshop/low-tide-picture-shore/tile',
    prepare: (driver) => driver.wait(until.elementLocated(By.css('[data-tiling] [data-tile-cloth]'))),
  },
  {
    name: 'a picture that is a tile already',
    path: '/workshop/low-tide-picture-shore/tile',
    prepare: async (driver) => (
      await click(driver, 'radio', 'As it is'),
      driver.wait(until.elementLocated(By.css('[data-seams]')))
    ),
  },
  {
    name: 'an array',
    path: '/arrays/new/low-tide-mussel',
    prepare: async (driver) => (
      await click(driver, 'radio', 'Along a line'),
      driver.wait(until.elementLocated(By.css('[data-array-point]')))
    ),
  },
  { name: 'squinting', path: DESIGN, prepare: (driver) => press(driver, 'q') },
  { name: 'the motifs of a design', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Motifs') },
  { name: 'the repeat', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Repeat') },
  { name: 'drawing', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Draw') },
  {
    name: 'a vine',
    path: '/designs/low-tide-kelp-forest',
    prepare: async (driver) => {
      await takeKelpStem(driver);
      await click(driver, 'button', 'Continue drawing “Kelp stem”');
      await driver.wait(until.elementLocated(By.css('[data-vine-pin]')));
    },
  },
  {
    name: 'hiding a part',
    path: '/designs/low-tide-kelp-forest',
    prepare: async (driver) => {
      await takeKelpStem(driver);
      await click(driver, 'radio', 'Hide');
      await click(driver, 'button', 'Hide a part of “Kelp stem”');
      await driver.wait(until.elementLocated(By.css('[data-areas]')));
    },
  },
  { name: 'the colours', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Colour') },
  {
    name: 'the table of colourways',
    path: DESIGN,
    prepare: async (driver) => {
      await click(driver, 'button', 'Colour');
      await click(driver, 'button', 'Table');
      await (await driver.wait(until.elementLocated(By.css('[data-cell-colour]')))).click();
    },
  },
  {
    name: 'proposed colourways',
    path: DESIGN,
    prepare: async (driver) => (await click(driver, 'button', 'Colour'), click(driver, 'button', 'Proposals')),
  },
  { name: 'the keys', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Keyboard shortcuts') },
  { name: 'the download', path: DESIGN, prepare: (driver) => click(driver, 'button', 'Export') },
  {
    name: 'the motif drawer',
    path: '/motifs',
    prepare: (driver) => driver.wait(until.elementLocated(By.css('[data-drawer-motif]'))),
  },
  {
    name: 'a motif of the drawer',
    path: '/motifs',
    prepare: async (driver) =>
      (await driver.wait(until.elementLocated(By.css('[data-drawer-motif="low-tide-crab"]')))).click(),
  },
  {
    name: 'the builder',
    path: '/build',
    prepare: (driver) => driver.wait(until.elementLocated(By.css('[data-alternative]'))),
  },
  { name: 'the workshop', path: '/workshop' },
  { name: 'a sheet', path: '/workshop/low-tide-sheet-lino' },
  { name: 'the print house', path: '/print-house' },
  {
    name: 'ordering a print',
    path: '/swatches/low-tide-swatch-limpets-dusk',
    prepare: (driver) => click(driver, 'button', 'Order a print'),
  },
  { name: 'the swatch book', path: '/swatches' },
  { name: 'a swatch', path: '/swatches/low-tide-swatch-limpets-dusk' },
  {
    name: 'an export',
    path: '/swatches/low-tide-swatch-limpets-dusk',
    prepare: (driver) => click(driver, 'button', 'Export'),
  },
  {
    name: 'swatches compared',
    path: '/swatches',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('main li input[type=checkbox]')));
      for (const box of (await driver.findElements(By.css('main li input[type=checkbox]'))).slice(0, 3))
        await box.click();
      await click(driver, 'button', 'Compare');
    },
  },
  {
    name: 'the try-ons',
    path: '/try-ons',
    prepare: (driver) => driver.wait(until.elementLocated(By.css('main li img'))),
  },
  {
    name: 'a try-on, a piece of it clicked',
    path: '/try-ons/low-tide-try-on-summer',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-dressed]')));
      await clickAt(driver, await middleOf(driver, '[data-dressed] canvas'));
    },
  },
  {
    name: 'the products',
    path: '/try-ons/low-tide-try-on-wall',
    prepare: async (driver) => {
      await driver.wait(until.elementLocated(By.css('[data-rolls]')));
      await click(driver, 'button', 'Change product');
    },
  },
  {
    name: 'try-ons side by side',
    path: '/try-ons/compare?ids=low-tide-try-on-cushion,low-tide-try-on-mug',
    prepare: (driver) => driver.wait(until.elementLocated(By.css('[data-dressed]'))),
  },
  { name: 'nowhere', path: '/nowhere' },
];

describe('every screen', () => {
  it.each(SCREENS)(
    'has no serious fault for those who do not see or do not point: $name',
    async ({ path, prepare }) => {
      const { driver } = page;
      await page.goTo(path);
      await driver.wait(until.elementLocated(By.css('#root > *')));
      await settled(driver);
      await prepare?.(driver);
      await settled(driver);
      await driver.executeScript(AXE);
      const found: string[] = await driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1];
      axe.run(document, { resultTypes: ['violations'] }).then(
        ({ violations }) => done(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').flatMap(({ id, help, nodes }) => nodes.map(({ target, failureSummary }) => id + ': ' + help + ' at ' + target.join(' ') + ' (' + failureSummary.split('\\n')[1]?.trim() + ')'))),
        (error) => done([String(error)]));`);
      expect(found).toEqual([]);
    },
  );
});
