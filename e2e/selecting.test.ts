import { By, Key, Origin, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../core/colour/index.ts';
import type { Design, Placement } from '../core/document/index.ts';
import { step, type Step } from '../core/lattice/index.ts';
import { click, clickAt, drag, named, press, settledShot, type, type Spot } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();

const { page } = tiles;

const open = (
  drop: Step,
  places: readonly Partial<Placement>[],
  size?: { width: number; height: number },
  ground?: Hex,
): Promise<string> => tiles.open(drop, places, { ...(size && { size }), ...(ground && { ground }) });

const stored = (id: string): Promise<Design> => tiles.stored(id);

describe('choosing and lining up', () => {
  /** Two clicks without it would be a double click. */
  const pause = (): Promise<void> => page.driver.sleep(600);
  const SQUARE = step('square');
  const chosen = async (): Promise<string> => (await page.driver.findElement(By.css('[data-chalk-label]'))).getText();
  const spot = (x: number, y: number): Promise<Spot> => tiles.spot(x, y);

  it('a box chooses what lies wholly within it, across repeats', async () => {
    await open(SQUARE, [
      { x: 30, y: 20 },
      { x: 90, y: 70 },
      { x: 118, y: 20 },
    ]);
    // Over the right edge: the second, and the third by the half of it that is an echo's.
    await drag(page.driver, await spot(62, 2), await spot(145, 88), { held: Key.SHIFT });
    expect(await chosen()).toMatch(/^2 motifs/);
    await press(page.driver, Key.ESCAPE);
    await drag(page.driver, await spot(5, 5), await spot(55, 35), { held: Key.SHIFT });
    expect(await chosen()).toMatch(/^Tile/);
    // The box ends within the motif: nothing more is chosen.
    await drag(page.driver, await spot(62, 45), await spot(95, 75), { held: Key.SHIFT });
    expect(await chosen()).toMatch(/^Tile/);
  });

  it('a second click goes to what lies below, and a list shows the pile', async () => {
    const { driver } = page;
    await open(SQUARE, [
      { x: 60, y: 45, scale: 1.5 },
      { x: 62, y: 45 },
    ]);
    const across = async (): Promise<string> => (await (await named(driver, 'field', 'X')).getAttribute('value')) ?? '';
    const at = await spot(61, 45);
    await clickAt(driver, at);
    expect(await across()).toBe('62 mm');
    await pause();
    await clickAt(driver, at);
    expect(await across()).toBe('60 mm');
    await pause();
    await clickAt(driver, at);
    expect(await across()).toBe('62 mm');
    await driver
      .actions({ async: false })
      .move({ x: Math.round(at.x), y: Math.round(at.y), origin: Origin.VIEWPORT })
      .contextClick()
      .perform();
    await driver.wait(until.elementLocated(By.css('[data-pile="t0"]')));
    await press(driver, Key.ARROW_DOWN);
    await press(driver, Key.ENTER);
    expect(await across()).toBe('60 mm');
  });

  it('lines up and spaces out over the join, exactly', async () => {
    const { driver } = page;
    const id = await open(step('half-drop', 1, 2), [
      { x: 20, y: 30 },
      { x: 62, y: 38 },
      { x: 118, y: 33 },
    ]);
    await press(driver, Key.CONTROL, 'a');
    await click(driver, 'radio', 'The first');
    await click(driver, 'button', 'Align centres vertically');
    await click(driver, 'radio', 'Round');
    await click(driver, 'button', 'Horizontally');
    const { placements } = await stored(id);
    // 120 mm less three times 40 leaves no gap: each begins where the one before ends. On screen one row.
    const xs = placements.map(({ x }) => x).sort((a, b) => a - b);
    expect((xs[1] as number) - (xs[0] as number)).toBeCloseTo(40, 9);
    expect((xs[2] as number) - (xs[1] as number)).toBeCloseTo(40, 9);
    expect(placements[0]?.y).toBe(30);
  });

  it('is caught by the middle of the cell, and not while Ctrl is held', async () => {
    const { driver } = page;
    const id = await open(SQUARE, [{ x: 30, y: 20 }]);
    await clickAt(driver, await spot(30, 20));
    await press(driver, 's');
    const from = await spot(30, 20);
    const near = await spot(60.6, 45.5);
    await drag(driver, from, near);
    const lies = async (x: number, y: number): Promise<boolean> => {
      const [one] = (await stored(id)).placements;
      return one !== undefined && Math.hypot(one.x - x, one.y - y) < 0.5;
    };
    await driver.wait(() => lies(60, 45), PATIENCE, 'it was never caught');
    expect((await stored(id)).placements[0]).toMatchObject({ x: 60, y: 45 });
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(() => lies(30, 20), PATIENCE, 'it was never undone');
    await settledShot(driver);
    await drag(driver, from, near, { held: Key.CONTROL });
    await driver.wait(() => lies(60.6, 45.5), PATIENCE, 'it never lay where it was let go');
    expect((await stored(id)).placements[0]?.x).not.toBe(60);
  });

  it('copies around a centre lie on the cloth while they are tried, and stay once they are kept', async () => {
    const { driver } = page;
    const id = await open(SQUARE, [{ x: 60, y: 20, scale: 0.5 }]);
    await clickAt(driver, await spot(60, 20));
    await click(driver, 'button', 'Several copies …');
    await click(driver, 'radio', 'Circle');
    await type(driver, 'Number', '4');
    await driver.executeScript(
      "const f = [...document.querySelectorAll('section[aria-label=\"Several copies\"] label')].find((l) => l.textContent === 'Centre Y'); document.getElementById(f.htmlFor).focus();",
    );
    await press(driver, Key.CONTROL, 'a');
    await press(driver, '45');
    await press(driver, Key.ENTER);
    const tried = await settledShot(driver);
    expect(isPink(tried, await spot(60, 70))).toBe(true);
    expect(isPink(tried, await spot(85, 45))).toBe(true);
    await click(driver, 'button', 'Cancel');
    expect(isPink(await settledShot(driver), await spot(60, 70))).toBe(false);
    expect((await stored(id)).placements).toHaveLength(1);
    await click(driver, 'button', 'Several copies …');
    await click(driver, 'radio', 'Grid');
    await click(driver, 'button', 'Apply');
    const { placements } = await stored(id);
    expect(placements).toHaveLength(9);
  });
});
