import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../core/colour/index.ts';
import type { Design, Placement } from '../core/document/index.ts';
import { keepsProportion, latticeOf, mirroredStep, orbitDistance, step, type Step } from '../core/lattice/index.ts';
import {
  alike,
  cellOnScreen,
  click,
  clickAt,
  drag,
  middleOf,
  named,
  press,
  settledShot,
  type,
  wheel,
  type Shot,
} from './support/hands.ts';
import { GROUND, isPink, useTiles, PINK } from './support/tiles.ts';

/** A ground so dark that whatever shone through a join would stand out. */
const DARK = [0x18, 0x38, 0x50] as const;

const tiles = useTiles();

const { page } = tiles;

const open = (
  drop: Step,
  places: readonly Partial<Placement>[],
  size?: { width: number; height: number },
  ground?: Hex,
): Promise<string> => tiles.open(drop, places, { ...(size && { size }), ...(ground && { ground }) });

const stored = (id: string): Promise<Design> => tiles.stored(id);

/** Pixels of the cloth that are neither the dark ground nor tile nor a mix of the two, but for what lies over the cloth. */
async function strangeColours(screen: Shot): Promise<string[]> {
  const { driver } = page;
  const area: { left: number; top: number; right: number; bottom: number } = await driver.executeScript(
    'const b = document.querySelector("[data-cloth]").getBoundingClientRect(); return { left: b.left, top: b.top, right: b.right, bottom: b.bottom };',
  );
  const covered: { left: number; top: number; right: number; bottom: number }[] = await driver.executeScript(`
    return [...document.querySelectorAll('[data-cell] > polygon, [data-edge]')].map((one) => {
      const b = one.getBoundingClientRect();
      return { left: b.left - 3, top: b.top - 3, right: b.right + 3, bottom: b.bottom + 3 };
    });`);
  const [stitch] = covered;
  const overlaid = (x: number, y: number): boolean =>
    covered.slice(2).some((box) => x >= box.left && x <= box.right && y >= box.top && y <= box.bottom) ||
    (stitch !== undefined &&
      x >= stitch.left &&
      x <= stitch.right &&
      y >= stitch.top &&
      y <= stitch.bottom &&
      (x <= stitch.left + 6 || x >= stitch.right - 6 || y <= stitch.top + 6 || y >= stitch.bottom - 6));
  const wrong = new Set<string>();
  for (let y = area.top + 1; y < area.bottom - 1; y += 1) {
    for (let x = area.left + 1; x < area.right - 1; x += 1) {
      if (overlaid(x, y) || isMix(screen.at(x, y))) continue;
      wrong.add(`${x},${y} ${screen.at(x, y).join(' ')}`);
      if (wrong.size > 4) return [...wrong];
    }
  }
  return [...wrong];
}

/** Whether a colour is a mix of the dark ground and the tile: anything else has come through a join. */
function isMix(colour: readonly number[]): boolean {
  const share = ((colour[0] as number) - DARK[0]) / (PINK[0] - DARK[0]);
  return (
    share > -0.04 &&
    share < 1.04 &&
    colour.every(
      (value, i) => Math.abs(value - ((DARK[i] as number) + share * ((PINK[i] as number) - (DARK[i] as number)))) < 6,
    )
  );
}

describe('the cloth', () => {
  it.each([
    ['square', step('square')],
    ['half-drop', step('half-drop', 1, 2)],
    ['half-drop of 1/3', step('half-drop', 1, 3)],
    ['brick of 2/5', step('brick', 2, 5)],
  ])('shows no line in the joins at any zoom (%s)', async (_name, drop) => {
    const { driver } = page;
    // One tile over the right edge, one over a corner, all else flat.
    await open(
      drop,
      [
        { x: 0, y: 30 },
        { x: 118, y: 0 },
      ],
      { width: 101.3, height: 77.7 },
      '#183850',
    );
    const at = await middleOf(driver, '[data-cloth]');
    for (const zoom of [0, 333, 777, -2100, 901, 633, 517, 1203]) {
      if (zoom !== 0) await wheel(driver, at, zoom);
      const screen = await settledShot(driver);
      const wrong = await strangeColours(screen);
      expect(wrong, `at ${(await cellOnScreen(driver)).scale} px a mm`).toEqual([]);
    }
  });

  it('moves a motif by any of its appearances, with the numbers at the pointer', async () => {
    const { driver } = page;
    const id = await open(step('half-drop', 1, 2), [{ x: 60, y: 45 }]);
    const cell = await cellOnScreen(driver);
    const mm = (n: number): number => n * cell.scale;
    await click(driver, 'button', 'Four');
    await settledShot(driver);
    const far = await cellOnScreen(driver);
    // The echo one column to the right lies half a cell lower.
    const echo = { x: far.left + 180 * far.scale, y: far.top + 0 * far.scale };
    const inSight = { x: echo.x, y: echo.y < 80 ? echo.y + 90 * far.scale : echo.y };
    expect(isPink(await settledShot(driver), inSight)).toBe(true);
    await drag(driver, inSight, { x: inSight.x + Math.round(30 * far.scale), y: inSight.y });
    const design = await stored(id);
    expect(design.placements[0]?.x).toBeCloseTo(60 + Math.round(30 * far.scale) / far.scale, 6);
    expect(design.placements[0]?.y).toBeCloseTo(45, 9);
    expect(mm(1)).toBeGreaterThan(far.scale);
  });

  it('keeps every echo with the hand while it drags', async () => {
    const { driver } = page;
    await open(step('brick', 1, 2), [{ x: 60, y: 45 }]);
    const cell = await cellOnScreen(driver);
    const start = { x: cell.left + 60 * cell.scale, y: cell.top + 45 * cell.scale };
    const hand = driver.actions({ async: false });
    await hand
      .move({ x: Math.round(start.x), y: Math.round(start.y) })
      .press()
      .move({ x: Math.round(start.x + 20 * cell.scale), y: Math.round(start.y + 30 * cell.scale), duration: 80 })
      .perform();
    const held = await settledShot(driver);
    const there = { x: start.x + 20 * cell.scale, y: start.y + 30 * cell.scale };
    expect(isPink(held, there)).toBe(true);
    // A row higher the echo is half a cell to the left.
    expect(isPink(held, { x: there.x - 60 * cell.scale, y: there.y - 90 * cell.scale })).toBe(true);
    expect(alike(held.at(start.x, start.y), GROUND)).toBe(true);
    expect(await (await driver.findElement(By.css('[data-note]'))).getText()).toMatch(
      /^X \d+(\.\d)?, Y \d+(\.\d)? mm\nmoved by \d+(\.\d)?, \d+(\.\d)? mm$/,
    );
    await driver.actions({ async: false }).release().perform();
    const after = await settledShot(driver);
    expect(isPink(after, there)).toBe(true);
    // Lifted, it is given up with Escape like any other drag.
    await driver
      .actions({ async: false })
      .move({ x: Math.round(there.x), y: Math.round(there.y) })
      .press()
      .move({ x: Math.round(there.x + 60), y: Math.round(there.y) })
      .perform();
    await press(driver, Key.ESCAPE);
    await driver.actions({ async: false }).release().perform();
    expect(isPink(await settledShot(driver), there)).toBe(true);
  });

  it('resizes about the opposite corner and turns by its pins, and undoes and does again', async () => {
    const { driver } = page;
    const id = await open(step('square'), [{ x: 60, y: 45 }]);
    const cell = await cellOnScreen(driver);
    await clickAt(driver, { x: cell.left + 60 * cell.scale, y: cell.top + 45 * cell.scale });
    const corner = await middleOf(driver, '[data-pin="corner-2"]');
    // Twice the diagonal: the corner at (80, 55) goes to (120, 75).
    await drag(driver, corner, { x: corner.x + 40 * cell.scale, y: corner.y + 20 * cell.scale });
    let [placement] = (await stored(id)).placements;
    expect(placement?.scale).toBeCloseTo(2, 1);
    // The top left corner stayed at (40, 35).
    expect((placement?.x ?? 0) - 20 * (placement?.scale ?? 0)).toBeCloseTo(40, 6);
    expect((placement?.y ?? 0) - 10 * (placement?.scale ?? 0)).toBeCloseTo(35, 6);
    await press(driver, Key.CONTROL, 'z');
    [placement] = (await stored(id)).placements;
    expect(placement).toMatchObject({ x: 60, y: 45, scale: 1 });

    const centre = { x: cell.left + 60 * cell.scale, y: cell.top + 45 * cell.scale };
    const pin = await middleOf(driver, '[data-pin="turn"]');
    await drag(driver, pin, { x: centre.x + (centre.y - pin.y), y: centre.y }, { held: Key.SHIFT });
    [placement] = (await stored(id)).placements;
    expect(placement?.rotation).toBe(90);
    const screen = await settledShot(driver);
    expect(isPink(screen, { x: centre.x, y: centre.y - 18 * cell.scale })).toBe(true);
    expect(isPink(screen, { x: centre.x - 18 * cell.scale, y: centre.y })).toBe(false);
    await press(driver, Key.CONTROL, 'z');
    await press(driver, Key.CONTROL, 'y');
    expect((await stored(id)).placements[0]?.rotation).toBe(90);
  });

  it('is worked by the keyboard alone', async () => {
    const { driver } = page;
    const id = await open(step('square'), [
      { x: 60, y: 45 },
      { x: 10, y: 10 },
    ]);
    await press(driver, 'n');
    await press(driver, Key.ARROW_RIGHT);
    await press(driver, Key.SHIFT, Key.ARROW_DOWN);
    await press(driver, 't');
    await press(driver, 'g');
    let { placements } = await stored(id);
    expect(placements[0]).toMatchObject({ x: 61, y: 55, rotation: 5 });
    expect(placements[0]?.scale).toBeCloseTo(1.05, 9);
    expect(placements[1]).toMatchObject({ x: 10, y: 10 });
    await press(driver, 'f');
    await press(driver, Key.CONTROL, 'd');
    ({ placements } = await stored(id));
    expect(placements).toHaveLength(3);
    expect(placements[2]).toMatchObject({ x: 69, y: 63 });
    await press(driver, Key.CONTROL, 'a');
    await press(driver, Key.DELETE);
    expect((await stored(id)).placements).toEqual([]);
    for (let n = 0; n < 7; n += 1) await press(driver, Key.CONTROL, 'z');
    ({ placements } = await stored(id));
    expect(placements.map(({ id: one }) => one)).toEqual(['t0', 't1']);
    expect(placements[0]).toMatchObject({ x: 60, y: 45, rotation: 0, scale: 1 });
  });

  it('takes a reflection of a mirrored step in hand like the motif itself, and goes back', async () => {
    const { driver } = page;
    const mirrored = mirroredStep(step('square'), 'columns');
    const id = await open(mirrored, [{ x: 40, y: 45, rotation: 30 }]);
    await click(driver, 'button', 'Four');
    await settledShot(driver);
    const { left, top, scale } = await cellOnScreen(driver);
    const at = (x: number, y: number): { x: number; y: number } => ({
      x: Math.round(left + x * scale),
      y: Math.round(top + y * scale),
    });
    // Cell and reflection meet at 120 mm: what lies at 40 is seen again at 200, leaning the other way.
    const [from, to] = [at(200, 45), at(214, 55)];
    const before = await settledShot(driver);
    expect(isPink(before, from)).toBe(true);
    expect(isPink(before, at(200 - 15, 45 + 8))).toBe(true);
    expect(isPink(before, at(200 + 15, 45 + 8))).toBe(false);
    await drag(driver, from, to);
    const after = await settledShot(driver);
    for (const place of [to, at(26, 55)]) expect(isPink(after, place)).toBe(true);
    const lattice = latticeOf({ width: 120, height: 90, step: mirrored });
    const [moved] = (await stored(id)).placements as [Placement];
    expect(
      orbitDistance(lattice, moved, { x: 200 + (to.x - from.x) / scale, y: 45 + (to.y - from.y) / scale }),
    ).toBeLessThan(0.05);
    expect(moved).toMatchObject({ flipped: true, rotation: -30 });
    await press(driver, Key.CONTROL, 'z');
    expect((await stored(id)).placements[0]).toMatchObject({ x: 40, y: 45, rotation: 30, flipped: false });
    expect(isPink(await settledShot(driver), from)).toBe(true);
    // What was undone can be moved on at once, at the reflection where it is meant.
    await press(driver, Key.ARROW_RIGHT);
    expect(orbitDistance(lattice, (await stored(id)).placements[0] as Placement, { x: 201, y: 45 })).toBeLessThan(1e-9);
  });

  it('shows a step before it is taken, draws a honeycomb as hexagons, and keeps what the size has to keep to', async () => {
    const { driver } = page;
    const id = await open(step('square'), [{ x: 60, y: 45 }]);
    await click(driver, 'button', 'Repeat');
    await click(driver, 'button', 'Four');
    await settledShot(driver);
    const cell = await cellOnScreen(driver);
    // The row that the stitch is in is the one that shifts, by half the width.
    const beside = { x: cell.left + 10, y: cell.top + 45 * cell.scale };
    expect(isPink(await settledShot(driver), beside)).toBe(false);
    await driver
      .actions({ async: false })
      .move({ origin: await named(driver, 'radio', 'Brick') })
      .perform();
    expect(isPink(await settledShot(driver), beside)).toBe(true);
    await driver.actions({ async: false }).move({ x: 500, y: 20 }).perform();
    expect(isPink(await settledShot(driver), beside)).toBe(false);
    expect((await stored(id)).repeat.step).toEqual(step('square'));

    await click(driver, 'radio', 'Honeycomb');
    await driver.findElement(By.css('[data-cell="hexagon"]'));
    expect(keepsProportion((await stored(id)).repeat)).toBe(true);
    await type(driver, 'Cell width', '100');
    const comb = (await stored(id)).repeat;
    expect(comb.width).toBeCloseTo(100, 6);
    expect(keepsProportion(comb)).toBe(true);

    await click(driver, 'radio', 'Square');
    await (await named(driver, 'field', 'Multiples of')).click();
    expect((await stored(id)).repeat).toMatchObject({ width: 100, height: 120, module: 10 });
    await (await named(driver, 'field', 'Scale the contents too')).click();
    await type(driver, 'Cell width', '148');
    const design = await stored(id);
    expect(design.repeat).toMatchObject({ width: 150, height: 120 });
    // Half as wide again, it lies half as far again, and is stretched by as much.
    expect(design.placements[0]).toMatchObject({ x: 90, y: 45, scale: 1.5 });
    expect(design.placements[0]?.aspect).toBeCloseTo(1 / 1.5, 9);
  });

  it('takes typed sizes with units and sums, a dragged stitch, another step and no ground', async () => {
    const { driver } = page;
    const id = await open(step('square'), [{ x: 60, y: 45 }]);
    await click(driver, 'button', 'Repeat');
    await type(driver, 'Cell width', '4in');
    await type(driver, 'Cell height', '+2.5cm');
    expect((await stored(id)).repeat).toMatchObject({ width: 101.6, height: 115 });
    await type(driver, 'Cell width', '3 furlongs');
    expect(await driver.findElement(By.css('[role=alert]')).getText()).toContain('“furlongs” is not a unit here');
    await press(driver, Key.ESCAPE);
    expect(await (await named(driver, 'field', 'Cell width')).getAttribute('value')).toBe('101.6 mm');

    await click(driver, 'radio', 'Brick');
    await settledShot(driver);
    const edge = await middleOf(driver, '[data-edge="right"]');
    const { scale } = await cellOnScreen(driver);
    await drag(driver, edge, { x: edge.x + 20 * scale, y: edge.y });
    const { repeat } = await stored(id);
    expect(repeat.step).toEqual({ kind: 'brick', drop: { p: 1, q: 2 } });
    expect(Math.abs(repeat.width - 121.6)).toBeLessThan(0.8);

    await click(driver, 'button', 'Colour');
    await page.choose('Kind of ground', 'None');
    expect((await stored(id)).ground).toEqual({ kind: 'none' });
    await click(driver, 'button', 'Change the ink Pink');
    await type(driver, 'Hex', '205ac0');
    expect((await stored(id)).colourways[0]?.colours['pink']).toBe('#205ac0');
    const cell = await cellOnScreen(driver);
    const screen = await settledShot(driver);
    const middle = { x: cell.left + 60 * cell.scale, y: cell.top + 45 * cell.scale };
    expect(alike(screen.at(middle.x, middle.y), [0x20, 0x5a, 0xc0])).toBe(true);
  });
});
