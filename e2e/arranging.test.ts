import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { type Placement } from '../core/document/index.ts';
import { SQUARE, step } from '../core/lattice/index.ts';
import { click, clickAt, drag, middleOf, named, press, settledShot, type, waitForText } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();

const { page } = tiles;

/** Waits until the stored tile is as told. */
async function lies(id: string, n: number, test: (placement: Placement) => boolean, why: string): Promise<Placement> {
  let placement: Placement | undefined;
  await page.driver
    .wait(
      async () => {
        placement = (await tiles.stored(id)).placements.find((placement) => placement.id === `t${n}`);
        return placement !== undefined && test(placement);
      },
      PATIENCE,
      why,
    )
    .catch((error: unknown) => {
      throw new Error(`${String(error)}; it lies as ${JSON.stringify(placement)}`);
    });
  return placement as Placement;
}

const near = (a: number, b: number, by = 0.6): boolean => Math.abs(a - b) <= by;

describe('pins', () => {
  it('stretch one way with the other side where it was, and slant with Ctrl', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{}]);
    await clickAt(driver, await tiles.spot(60, 45));
    const { x, y } = await middleOf(driver, '[data-pin="side-right"]');
    const to = await tiles.spot(100, 45);
    await drag(driver, { x, y }, { x: to.x, y });
    // From 40 to 80 mm wide: its left side stays at 40 mm.
    const wide = await lies(
      id,
      0,
      ({ scale, aspect }) => near(scale, 1.5, 0.02) && near(aspect, 2 / 3, 0.02),
      'it was never stretched',
    );
    expect(wide.x - 20 * wide.scale).toBeCloseTo(40, 6);
    expect(wide.scale * wide.aspect).toBeCloseTo(1, 9);
    const screen = await settledShot(driver);
    expect(isPink(screen, await tiles.spot(97, 45))).toBe(true);
    expect(isPink(screen, await tiles.spot(80, 57))).toBe(false);
    const top = await middleOf(driver, '[data-pin="side-top"]');
    const aside = await tiles.spot(90, 35);
    await drag(driver, top, { x: aside.x, y: top.y }, { held: Key.CONTROL });
    const lean = await lies(id, 0, ({ skew }) => skew < -10, 'it was never slanted');
    // The lower side stayed: 20 mm over a height of 20 mm to the right is 45° at most, here about 1 in 1.
    expect(Math.tan((lean.skew * Math.PI) / 180) * 20).toBeCloseTo(-(90 - 70), -1);
    await type(driver, 'Skew', '0');
    await lies(id, 0, ({ skew }) => skew === 0, 'the slant was never typed');
  });

  it('turn several about a chosen point, over the join too', async () => {
    const { driver } = page;
    // Next to each other over the right edge of a half-drop: the second is stored half a cell lower.
    const id = await tiles.open(step('half-drop', 1, 2), [
      { x: 100, y: 20, scale: 0.4 },
      { x: 10, y: 65, scale: 0.4 },
    ]);
    await clickAt(driver, await tiles.spot(100, 20));
    await clickAt(driver, await tiles.spot(130, 20), { held: Key.SHIFT });
    expect(await (await driver.findElement(By.css('[data-chalk-label]'))).getText()).toMatch(/^2 motifs/);
    const box = async (label: string): Promise<string> =>
      (await (await named(driver, 'field', label)).getAttribute('value')) ?? '';
    // 16 mm wide each, 30 mm apart.
    expect(await box('Width')).toBe('46 mm');
    await click(driver, 'button', 'Measure from the middle of the left side');
    await type(driver, 'Rotation', '90');
    await lies(id, 1, ({ rotation }) => rotation === 90, 'they were never turned each');
    await press(driver, Key.CONTROL, 'z');
    await lies(id, 1, ({ rotation }) => rotation === 0, 'it was never undone');
    // By the pin: both go round the middle of the left side.
    const pin = await middleOf(driver, '[data-pin="turn"]');
    const left = await tiles.spot(92, 20);
    const arm = Math.hypot(pin.x - left.x, pin.y - left.y);
    const begun = Math.atan2(pin.y - left.y, pin.x - left.x);
    await drag(
      driver,
      pin,
      { x: left.x + arm * Math.cos(begun + Math.PI / 2), y: left.y + arm * Math.sin(begun + Math.PI / 2) },
      { held: Key.SHIFT },
    );
    const first = await lies(id, 0, ({ rotation }) => rotation === 90, 'they were never turned together');
    const second = await lies(id, 1, ({ rotation }) => rotation === 90, 'they were never turned together');
    expect(first.x).toBeCloseTo(92, 6);
    expect(first.y).toBeCloseTo(28, 6);
    expect([second.x, second.y].map((n) => Number(n.toFixed(6)))).toEqual([92, 58]);
  });

  it('say mixed values, add to each, and go through the numbers by Tab and arrows', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [
      { x: 30, rotation: 10 },
      { x: 90, rotation: 30 },
    ]);
    await press(driver, Key.CONTROL, 'a');
    expect(await (await named(driver, 'field', 'Rotation')).getAttribute('value')).toBe('mixed');
    await type(driver, 'Rotation', '+5');
    await lies(id, 0, ({ rotation }) => rotation === 15, 'nothing was added');
    await lies(id, 1, ({ rotation }) => rotation === 35, 'nothing was added to the second');
    // Past the scale to the skew and a step up, on to the opacity and ten steps down.
    await press(driver, Key.TAB);
    await press(driver, Key.TAB);
    await press(driver, Key.ARROW_UP);
    await press(driver, Key.TAB);
    await press(driver, Key.SHIFT, Key.ARROW_DOWN);
    await lies(id, 1, ({ skew, opacity }) => skew === 1 && near(opacity, 0.9, 1e-9), 'the arrows did not step');
    expect((await tiles.stored(id)).placements[0]).toMatchObject({ rotation: 15, skew: 1 });
  });
});

describe('guides', () => {
  it('are drawn out of the selvedge, catch in every cell, and are thrown away outside', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 30, y: 20 }]);
    const edge = await middleOf(driver, '[data-selvedge-edge]');
    const place = await tiles.spot(77, 60);
    await drag(driver, edge, place);
    await driver.wait(async () => (await tiles.stored(id)).guides.length === 1, PATIENCE, 'there is no guide');
    const [guide] = (await tiles.stored(id)).guides;
    expect(guide?.axis).toBe('x');
    expect(near(guide?.at ?? 0, 77, 0.5)).toBe(true);
    await press(driver, 's');
    const beside = await tiles.spot(guide?.at ?? 0, 63.3);
    await drag(driver, await tiles.spot(30, 20), { x: beside.x + 3, y: beside.y });
    await lies(id, 0, ({ x }) => Math.abs(x - (guide?.at ?? 0)) < 1e-9, 'the guide never caught it');
    await press(driver, 's');
    const tab = await middleOf(driver, `[data-guide="${guide?.id ?? ''}"]`);
    await drag(driver, tab, { x: 20, y: tab.y });
    await driver.wait(async () => (await tiles.stored(id)).guides.length === 0, PATIENCE, 'the guide is still there');
    await press(driver, Key.ESCAPE);
    await driver.executeScript(
      "[...document.querySelectorAll('summary')].find((s) => s.textContent.startsWith('Guides')).click()",
    );
    await click(driver, 'button', 'Horizontal guide');
    await driver.wait(async () => (await tiles.stored(id)).guides[0]?.at === 45);
    await type(driver, 'Guide 1, from the cell’s upper edge', '90/4');
    await driver.wait(async () => (await tiles.stored(id)).guides[0]?.at === 22.5);
  });
});

describe('variety and copies', () => {
  it('vary what is chosen live, and only for good once it is kept', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 30 }, { x: 90 }]);
    await press(driver, Key.CONTROL, 'a');
    await click(driver, 'button', 'Vary …');
    await type(driver, 'Rotate by up to', '90');
    await click(driver, 'button', 'Cancel');
    expect((await tiles.stored(id)).placements.map(({ rotation }) => rotation)).toEqual([0, 0]);
    await click(driver, 'button', 'Vary …');
    await click(driver, 'button', 'New seed');
    await click(driver, 'button', 'Apply');
    await lies(id, 0, ({ rotation }) => rotation !== 0 && Math.abs(rotation) <= 15, 'it was never varied');
    expect((await tiles.stored(id)).placements.map(({ x }) => x)).toEqual([30, 90]);
  });

  it('lie along a line that is drawn on the cloth', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 20, y: 20, scale: 0.3 }]);
    await clickAt(driver, await tiles.spot(20, 20));
    await click(driver, 'button', 'Several copies …');
    await click(driver, 'radio', 'Path');
    await type(driver, 'Number', '5');
    await click(driver, 'button', 'Draw the path');
    await drag(driver, await tiles.spot(20, 60), await tiles.spot(100, 60));
    await click(driver, 'button', 'Apply');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 5, PATIENCE, 'they were never laid');
    const xs = (await tiles.stored(id)).placements.map(({ x }) => x).sort((a, b) => a - b);
    xs.forEach((x, n) => expect(near(x, 20 + 20 * n, 1)).toBe(true));
    expect((await tiles.stored(id)).placements.every(({ y }) => near(y, 20, 1))).toBe(true);
  });
});

describe('alternatives', () => {
  it('are kept under names, seen side by side as live cloth, and taken as one step', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 60, y: 45 }]);
    await driver.executeScript(
      "[...document.querySelectorAll('summary')].find((s) => s.textContent.startsWith('Alternatives')).click()",
    );
    await click(driver, 'button', 'Save as alternative');
    await driver.wait(until.elementLocated(By.css('input[aria-label="Show Alternative 1"]')));
    await clickAt(driver, await tiles.spot(60, 45));
    await press(driver, Key.DELETE);
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 0);
    await driver.findElement(By.css('input[aria-label="Show Alternative 1"]')).click();
    await click(driver, 'button', 'Side by side');
    await driver.wait(until.elementLocated(By.css('figure[aria-label="Alternative 1"] canvas[aria-busy="false"]')));
    const screen = await settledShot(driver);
    const pinkIn = async (name: string): Promise<number> => {
      const box: { left: number; top: number; right: number; bottom: number } = await driver.executeScript(
        'const b = document.querySelector(`figure[aria-label="${arguments[0]}"] canvas`).getBoundingClientRect(); return { left: b.left, top: b.top, right: b.right, bottom: b.bottom };',
        name,
      );
      let count = 0;
      for (let y = box.top + 4; y < box.bottom - 4; y += 4)
        for (let x = box.left + 4; x < box.right - 4; x += 4) if (isPink(screen, { x, y })) count += 1;
      return count;
    };
    expect(await pinkIn('As it is now')).toBe(0);
    expect(await pinkIn('Alternative 1')).toBeGreaterThan(100);
    await click(driver, 'button', 'Take this one');
    await lies(id, 0, ({ x, y }) => x === 60 && y === 45, 'it was never taken');
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 0, PATIENCE, 'it could not be undone');
    await click(driver, 'button', 'Delete Alternative 1');
    await waitForText(driver, '“Alternative 1” is deleted.');
    await click(driver, 'button', 'Undo');
    await driver.wait(until.elementLocated(By.css('input[aria-label="Show Alternative 1"]')));
  });
});
