import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { SQUARE, step } from '../core/lattice/index.ts';
import { click, drag, press, type, settled } from './support/hands.ts';
import { useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();
const { page } = tiles;

const looked = (): Promise<unknown> =>
  page.driver.wait(until.elementLocated(By.css('[data-check="done"]')), PATIENCE, 'nobody looked');
const findings = (kind: string): Promise<string[]> =>
  page.driver.executeScript(
    'return [...document.querySelectorAll(`[data-finding^="${arguments[0]}"]`)].map((one) => one.innerText)',
    kind,
  );
const chosen = async (): Promise<string> =>
  (await page.driver.findElement(By.css('[aria-label^="Numbers of"], [data-chalk-label], h3'))).getText();

describe('the check', () => {
  it('finds the lane in a design that has one, takes it by its mark, and loses it when it is closed', async () => {
    const { driver } = page;
    // Two rows of tiles that leave 30 mm free between them and 10 mm on the other side; upright, they close each other's gaps.
    await tiles.open(
      SQUARE,
      [
        { x: 20, y: 20 },
        { x: 60, y: 20 },
        { x: 40, y: 60 },
        { x: 80, y: 60 },
      ],
      { size: { width: 80, height: 80 } },
    );
    await click(driver, 'button', 'Check');
    await looked();
    await driver.wait(async () => (await findings('lane')).length > 0, PATIENCE, 'no lane was found');
    const level = (await findings('lane')).filter((text) => text.includes('level'));
    expect(level).toHaveLength(2);
    for (const text of level) expect(Math.abs(Number(/^([\d.]+) mm/.exec(text)?.[1]) - 20)).toBeLessThan(1);
    expect((await findings('lane')).some((text) => text.includes('upright'))).toBe(false);
    expect((await driver.findElements(By.css('[data-mark="lane"]'))).length).toBeGreaterThan(1);
    // The mark on the cloth chooses what stands beside the lane.
    await (await driver.findElement(By.css('[data-mark-pin="lane 0"]'))).click();
    await driver.wait(until.elementLocated(By.css('[data-finding="lane 0"][aria-pressed="true"]')));
    expect(await chosen()).toContain('4 motifs');
    // A tile that is moved into it closes it; the other stays.
    await press(driver, Key.ESCAPE);
    await drag(driver, await tiles.spot(40, 60), await tiles.spot(40, 40));
    await driver.wait(
      async () => (await findings('lane')).filter((text) => text.includes('level')).length === 1,
      PATIENCE,
      'it was never closed',
    );
    // What is free now is narrower than what is looked for.
    await type(driver, 'Lanes wider than', '25');
    await driver.wait(async () => (await findings('lane')).length === 0, PATIENCE, 'it was still found');
  });

  it('finds no lane where none is, and tells touching pairs, clumps and quarters', async () => {
    const { driver } = page;
    // Tiles end to end in a brick: upright they close every gap, and level they touch.
    const id = await tiles.open(
      step('brick', 1, 2),
      [
        { x: 20, y: 10, scale: 1 },
        { x: 60.4, y: 10, scale: 1 },
      ],
      { size: { width: 81, height: 20.5 } },
    );
    await click(driver, 'button', 'Check');
    await looked();
    await driver.wait(async () => (await findings('pair')).length > 0, PATIENCE, 'no pair was found');
    expect(await findings('lane')).toEqual([]);
    expect((await findings('pair'))[0]).toMatch(/^Tile and (Tile|its echo), (touching|0\.\d mm)$/);
    await (await driver.findElement(By.css('[data-finding="pair 0"]'))).click();
    expect((await driver.findElements(By.css('canvas[role="img"], [role="img"] canvas'))).length).toBe(2);
    expect((await tiles.stored(id)).placements).toHaveLength(2);

    await tiles.open(
      SQUARE,
      [
        [20, 20],
        [24, 32],
        [32, 24],
        [140, 40],
        [40, 150],
        [150, 150],
        [100, 100],
      ].map(([x, y]) => ({ x: x as number, y: y as number, scale: 0.15 })),
      { size: { width: 200, height: 200 } },
    );
    await click(driver, 'button', 'Check');
    await driver.wait(async () => (await findings('clump')).length === 1, PATIENCE, 'no clump was found');
    expect(await findings('clump')).toEqual(['3 × Tile']);
    await (await driver.findElement(By.css('[data-finding="clump 0"]'))).click();
    expect(await chosen()).toContain('3 motifs');
    await click(driver, 'button', 'Settle selection');
    for (let n = 0; n < 12 && (await findings('clump')).length > 0; n += 1) {
      await click(driver, 'button', 'Settle selection');
      await settled(driver);
    }
    await driver.wait(async () => (await findings('clump')).length === 0, PATIENCE, 'it was never settled');
  });
});
