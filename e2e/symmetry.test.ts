import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Placement } from '../core/document/index.ts';
import type { Point } from '../core/geometry/index.ts';
import {
  applyOpToPoint,
  keepsProportion,
  type Lattice,
  latticeDistance,
  latticeOf,
  latticeTranslate,
  mirroredStep,
  orbitDistance,
  type Repeat,
  rotatedStep,
  SQUARE,
  step,
  type Step,
  symmetryElements,
  withStep,
} from '../core/lattice/index.ts';
import { cellOnScreen, click, drag, named, press, settledShot, type, type Spot } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';

const tiles = useTiles();
const { page } = tiles;

/** Opens tiles in a step, with two by two tiles in the window; says where places are on screen. */
async function open(of: Step, places: readonly Partial<Placement>[]) {
  const { driver } = page;
  const repeat: Repeat = withStep({ width: 120, height: 90, step: SQUARE }, of);
  const id = await tiles.open(of, places, { size: repeat });
  await click(driver, 'button', 'Four');
  await settledShot(driver);
  const { left, top, scale } = await cellOnScreen(driver);
  const at = ({ x, y }: Point): Spot => ({ x: Math.round(left + x * scale), y: Math.round(top + y * scale) });
  return { id, lattice: latticeOf(repeat), scale, at };
}

/** Where the operations show a point, moved by the lattice as near as can be to another. */
function imagesNear({ ops, ...lattice }: Lattice, p: Point, to: Point): Point[] {
  const steps = [-2, -1, 0, 1, 2];
  return ops.map((op) => {
    const at = applyOpToPoint(op, p);
    const all = steps.flatMap((i) =>
      steps.map((j) => {
        const by = latticeTranslate({ ops, ...lattice }, { i, j });
        return { x: at.x + by.x, y: at.y + by.y };
      }),
    );
    return all.reduce((best, one) =>
      Math.hypot(one.x - to.x, one.y - to.y) < Math.hypot(best.x - to.x, best.y - to.y) ? one : best,
    );
  });
}

describe('rotated groups', () => {
  it('lay a motif by thirds of a turn, and take it in hand by a rotated instance', async () => {
    const { driver } = page;
    const home = { x: 48, y: 36 };
    const { id, lattice, at, scale } = await open(rotatedStep(SQUARE, 'third'), [
      { ...home, scale: 0.5, rotation: 10 },
    ]);
    const middle = { x: 60, y: 40 };
    const shown = imagesNear(lattice, home, middle);
    const before = await settledShot(driver);
    for (const place of shown) expect(isPink(before, at(place))).toBe(true);
    // The tile is twice as long as high: its ends say how each image is turned.
    const end = (angle: number, { x, y }: Point): Point => ({
      x: x + 8 * Math.cos((angle * Math.PI) / 180),
      y: y + 8 * Math.sin((angle * Math.PI) / 180),
    });
    lattice.ops.forEach(({ rotation }, n) => {
      const place = shown[n] as Point;
      expect(isPink(before, at(end(rotation + 10, place)))).toBe(true);
      expect(isPink(before, at(end(rotation + 100, place)))).toBe(false);
    });
    expect((await driver.findElements(By.css('[data-cell="third"] [data-order="3"]'))).length).toBeGreaterThan(3);

    const taken = shown[1] as Point;
    const [from, to] = [at(taken), at({ x: taken.x + 9, y: taken.y - 7 })];
    await drag(driver, from, to);
    const moved = { x: taken.x + (to.x - from.x) / scale, y: taken.y + (to.y - from.y) / scale };
    // The pins of the selection lie over it.
    await press(driver, Key.ESCAPE);
    const after = await settledShot(driver);
    for (const place of imagesNear(lattice, moved, middle)) expect(isPink(after, at(place))).toBe(true);
    expect(isPink(after, at(end(130, moved)))).toBe(true);
    const [placement] = (await tiles.stored(id)).placements as [Placement];
    expect(orbitDistance(lattice, placement, moved)).toBeLessThan(0.05);
    await press(driver, Key.CONTROL, 'z');
    expect((await tiles.stored(id)).placements[0]).toMatchObject({ ...home, rotation: 10 });
  });

  it('show what is dropped on a centre once, upright as it is', async () => {
    const { driver } = page;
    const { id, lattice, at } = await open(mirroredStep(SQUARE, 'p4m'), [{ x: 80, y: 30, scale: 0.4 }]);
    const { width, height } = lattice.domain;
    const centre = symmetryElements(lattice, { left: 0, top: 0, right: width, bottom: height }).centres.find(
      ({ x, y, order }) => order === 4 && x > 100 && y > 100 && x < 140 && y < 140,
    ) as Point;
    await drag(driver, at({ x: 80, y: 30 }), at({ x: centre.x + 0.6, y: centre.y - 0.6 }), {
      held: Key.CONTROL,
    });
    const [placement] = (await tiles.stored(id)).placements as [Placement];
    expect(latticeDistance(lattice, placement.x - centre.x, placement.y - centre.y)).toBeLessThan(1e-6);
    await press(driver, Key.ESCAPE);
    const screen = await settledShot(driver);
    expect(isPink(screen, at({ x: centre.x + 6, y: centre.y + 2 }))).toBe(true);
    // Shown eight times it would be a cross.
    expect(isPink(screen, at({ x: centre.x + 2, y: centre.y + 6 }))).toBe(false);
  });

  it('are chosen by their cells, keep their proportions, and are hidden with their centres', async () => {
    const { driver } = page;
    const { id } = await open(SQUARE, [{ x: 40, y: 30, scale: 0.5 }]);
    await click(driver, 'button', 'Repeat');
    await click(driver, 'radio', 'Triangles, a sixth of a turn p6');
    const stored = (await tiles.stored(id)).repeat;
    expect(stored.step).toEqual(rotatedStep(SQUARE, 'sixth'));
    expect(keepsProportion(stored)).toBe(true);
    await type(driver, 'Cell height', '60');
    const typed = (await tiles.stored(id)).repeat;
    expect(typed.height).toBeCloseTo(60, 9);
    expect(typed.width).toBeCloseTo(120 / Math.sqrt(3), 9);
    await driver.findElement(By.css('[data-cell="sixth"] [data-order="6"]'));
    await (await named(driver, 'field', 'Show axes and centres')).click();
    expect(await driver.findElements(By.css('[data-order], [data-axes]'))).toHaveLength(0);
    await (await named(driver, 'field', 'Show axes and centres')).click();
  });

  it('take a drop of any length by the smallest tile within a tolerance', async () => {
    const { driver } = page;
    const { id } = await open(step('half-drop'), [{ x: 40, y: 30, scale: 0.5 }]);
    await click(driver, 'button', 'Repeat');
    // 90 mm high: 31.4 mm is 0.3489 of it.
    await type(driver, 'Drop in length', '31.4');
    expect((await tiles.stored(id)).repeat.step.drop).toEqual({ p: 6, q: 17 });
    const offers = await driver.findElements(By.css('[aria-label="Nearest fractions"] button'));
    expect(await offers[0]?.getText()).toBe('6/17, off by 0.36 mm; tile 2040 mm × 90 mm');
    const [, finer] = offers;
    await finer?.click();
    expect((await tiles.stored(id)).repeat.step.drop).toEqual({ p: 7, q: 20 });
    await press(driver, Key.CONTROL, 'z');
    expect((await tiles.stored(id)).repeat.step.drop).toEqual({ p: 6, q: 17 });
  });
});
