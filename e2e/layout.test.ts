import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { SQUARE, step } from '../core/lattice/index.ts';
import { layRows } from '../core/layout/index.ts';
import { pickMotif, clickAt, click, press, settledShot, type, waitForText } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();
const { page } = tiles;

/** Chooses in the list whose options hold this one. */
async function pick(option: string): Promise<void> {
  const { driver } = page;
  await (
    await driver.wait(
      until.elementLocated(By.xpath(`//section[@aria-label='Rows and grids']//option[normalize-space()='${option}']`)),
    )
  ).click();
}

describe('a row', () => {
  it('of three is made equally large with equal gaps, its cell exactly one row and one gap, takes the proposed fraction, and follows its recipe', async () => {
    const { driver } = page;
    const [blue, green] = [await tiles.motifOf('#2050c0'), await tiles.motifOf('#208040')];
    const id = await tiles.open(
      SQUARE,
      [
        { motif: blue, x: 20, y: 20 },
        { x: 60, y: 50, scale: 0.5 },
        { motif: green, x: 95, y: 75, rotation: 20 },
      ],
      { size: { width: 120, height: 90 } },
    );
    await click(driver, 'radio', 'Rows');
    // Chosen one after the other: the row's order.
    for (const [x, y] of [
      [60, 50],
      [20, 20],
      [95, 75],
    ] as const) {
      const at = await tiles.spot(x, y);
      if (x === 60) await clickAt(driver, at);
      else
        await driver
          .actions({ async: false })
          .keyDown(Key.SHIFT)
          .move({ x: Math.round(at.x), y: Math.round(at.y) })
          .click()
          .keyUp(Key.SHIFT)
          .perform();
    }
    await click(driver, 'button', 'Add selected');
    await click(driver, 'radio', 'Width');
    await type(driver, 'Each', '30');
    await type(driver, 'Gap', '10');
    await type(driver, 'Row gap', '6');
    await click(driver, 'button', 'Set in a row');
    await driver.wait(async () => (await tiles.stored(id)).layout !== null, PATIENCE, 'it was never set');
    const row = await tiles.stored(id);
    // Tiles are twice as wide as high: three of 30 × 15 mm, and three gaps of 10.
    expect(row.repeat).toMatchObject({ width: 120, height: 21 });
    expect(row.placements.map(({ x, y, rotation, scale }) => [x, y, rotation, scale])).toEqual([
      [20, 10.5, 0, 0.75],
      [60, 10.5, 0, 0.75],
      [100, 10.5, 0, 0.75],
    ]);
    expect(new Set(row.placements.map((placement) => placement.id))).toEqual(new Set(['t0', 't1', 't2']));

    // By a third each stands in columns with the two others; by a half the columns zigzag.
    const offers = await driver.findElements(By.css('[data-offer]'));
    const [best] = offers;
    expect(await best?.getAttribute('data-offer')).toBe('1/3');
    expect(await best?.getText()).toContain('well apart');
    expect(await best?.getText()).toContain(`${Math.hypot(40, 21).toFixed(1)} mm`);
    expect(await driver.findElement(By.css('[data-offer="1/2"]')).getText()).toContain('zigzag');
    await best?.click();
    await driver.wait(
      async () => (await tiles.stored(id)).repeat.step.kind === 'brick',
      PATIENCE,
      'the fraction was never taken',
    );
    expect((await tiles.stored(id)).repeat.step).toEqual(step('brick', 1, 3));
    // On the cloth each row stands one further.
    await driver.actions({ async: false }).move({ x: 500, y: 20 }).perform();
    const screen = await settledShot(driver);
    for (let row = 0; row < 3; row += 1) {
      for (let place = 0; place < 3; place += 1)
        expect(isPink(screen, await tiles.spot(20 + 40 * place, 10.5 + 21 * row)), `row ${row}, place ${place}`).toBe(
          place === row,
        );
    }

    await type(driver, 'Gap', '20');
    await driver.wait(async () => (await tiles.stored(id)).repeat.width === 150, PATIENCE, 'it never followed');
    const wider = await tiles.stored(id);
    expect(wider.repeat.step).toEqual(step('brick', 1, 3));
    expect(wider.placements.map(({ x }) => x)).toEqual([25, 75, 125]);
    await click(driver, 'button', 'Another row');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 6, PATIENCE, 'no second row came');
    expect((await tiles.stored(id)).repeat).toMatchObject({ width: 150, height: 42 });
    await press(driver, Key.CONTROL, 'z');
    await press(driver, Key.CONTROL, 'z');
    expect((await tiles.stored(id)).placements).toEqual(row.placements);
  });

  it('whose cell would be too large says so, and does nothing', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, []);
    await click(driver, 'radio', 'Rows');
    await pickMotif(driver, 'Add a motif to the row', 'Tile');
    await type(driver, 'Each', '2500');
    await click(driver, 'radio', 'Height');
    await click(driver, 'button', 'Set in a row');
    await waitForText(driver, 'and cells are 5 to 5000 mm. Nothing was changed.');
    const { layout, placements, repeat } = await tiles.stored(id);
    expect({ layout, placements, width: repeat.width }).toEqual({ layout: null, placements: [], width: 120 });
    expect(
      layRows({ kind: 'row', rows: [['gone']], equal: 'width', size: 1, gap: 0, rowGap: 0 }, new Map()),
    ).toBeUndefined();
  });
});

describe('a grid', () => {
  it('of stripes and of checks in an ink closes over the joins at the nearest angle, and covers what it should', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [], { size: { width: 120, height: 120 } });
    await click(driver, 'radio', 'Rows');
    await click(driver, 'radio', 'A grid');
    await click(driver, 'radio', 'Stripes');
    await pick('Pink');
    await type(driver, 'Side by side', '3');
    await type(driver, 'Target angle', '40');
    // It waits for the motif that is made in the ink.
    await driver.wait(until.elementLocated(By.xpath("//button[normalize-space()='Lay the grid'][not(@disabled)]")));
    await click(driver, 'button', 'Lay the grid');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 3, PATIENCE, 'no stripes were laid');
    const striped = await tiles.stored(id);
    // The nearest to 40° that closes within six steps: one up for each across, or four for five.
    expect(striped.placements[0]?.rotation).toBeCloseTo((Math.atan2(5, 6) * 180) / Math.PI, 6);
    await click(driver, 'radio', 'Checks');
    await type(driver, 'To the cell', '8');
    await type(driver, 'Target angle', '0');
    await type(driver, 'Size', '100');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 8, PATIENCE, 'no checks were laid');
    await click(driver, 'button', 'Four');
    await driver.actions({ async: false }).move({ x: 500, y: 20 }).perform();
    const screen = await settledShot(driver);
    const [first] = (await tiles.stored(id)).placements;
    // A chessboard of 30 mm: pink and ground take turns, over every join; looked at off the stitches.
    for (let across = -3; across <= 3; across += 1) {
      for (let down = -2; down <= 2; down += 1) {
        const at = await tiles.spot((first?.x ?? 0) + 30 * across + 8, (first?.y ?? 0) + 30 * down + 6);
        if (at.x < 70 || at.x > 960 || at.y < 60 || at.y > 690) continue;
        expect(isPink(screen, at), `${across} across, ${down} down`).toBe((across + down) % 2 === 0);
      }
    }
  });
});
