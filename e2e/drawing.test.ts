import { By } from 'selenium-webdriver';
import { beforeAll, describe, expect, it } from 'vitest';
import { step } from '../core/lattice/index.ts';
import { PATIENCE } from './support/browser.ts';
import {
  alike,
  cellOnScreen,
  click,
  clickAt,
  drag,
  pickMotif,
  press,
  settled,
  settledShot,
  shot,
  type,
  type Shot,
  type Spot,
  waitForText,
} from './support/hands.ts';
import { INK, isGround, isInk, line, usePen } from './support/penHands.ts';
import { useTiles } from './support/tiles.ts';

const tiles = useTiles();
const { page } = tiles;

const { pen, lift, draw, finish, finishVine, waitForStrokes, motifsOf } = usePen(tiles);

beforeAll(async () => {
  await page.browser.devTools('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
});

describe('drawing on the cloth', () => {
  it('comes in half a cell lower while the hand draws over the edge of a half-drop, and becomes one motif', async () => {
    const id = await tiles.open(step('half-drop', 1, 2), []);
    await draw();
    await pen(line({ x: 100, y: 55 }, { x: 138, y: 55 }), { lifted: false });
    const [here, lower, higher] = [await tiles.spot(132, 55), await tiles.spot(12, 100), await tiles.spot(12, 55)];
    const during = await shot(page.driver);
    expect(isInk(during, here)).toBe(true);
    expect(isInk(during, lower)).toBe(true);
    expect(isGround(during, higher)).toBe(true);
    await lift(138, 55);
    await finish();
    const after = await settledShot(page.driver);
    expect(isInk(after, here)).toBe(true);
    expect(isInk(after, lower)).toBe(true);
    expect(isGround(after, higher)).toBe(true);
    const { placements } = await tiles.stored(id);
    expect(placements).toHaveLength(1);
    const [motif] = await motifsOf(id);
    expect(motif?.recipe).toMatchObject({ kind: 'drawn', strokes: [{ ink: INK, width: 4, deed: 'line' }] });
    // In one piece: as long as it was drawn.
    expect(motif?.width).toBeCloseTo(42, 0);
  });

  it('is as thick as the pen is pressed, filled, and changed later wherever it lies', async () => {
    const id = await tiles.open(step('square'), []);
    await draw(8);
    await click(page.driver, 'radio', 'Pen pressure');
    await type(page.driver, 'Thinning, typed', '80');
    await click(page.driver, 'radio', 'Brush');
    await page.driver.findElement(By.xpath("//label[contains(., 'Fill enclosed area')]")).click();
    await type(page.driver, 'Fill ink, typed', '#d9a441');
    const ring = Array.from({ length: 33 }, (_, n) => {
      const angle = (2 * Math.PI * n) / 32;
      return { x: 60 + 25 * Math.sin(angle), y: 45 - 25 * Math.cos(angle), force: n < 16 ? 0.2 : 1 };
    });
    await pen(ring);
    await finish();
    const [middle, thin, thick] = [await tiles.spot(60, 45), await tiles.spot(82, 45), await tiles.spot(38, 45)];
    const petal = await settledShot(page.driver);
    expect(alike(petal.at(middle.x, middle.y), [0xd9, 0xa4, 0x41])).toBe(true);
    // Three mm within the line: what was hardly pressed does not reach so far.
    expect(isInk(petal, thin)).toBe(false);
    expect(isInk(petal, thick)).toBe(true);

    // Gone on with: opened, all of it in another ink, and a stroke more.
    await page.driver.findElement(By.xpath("//button[starts-with(normalize-space(), 'Continue drawing')]")).click();
    await waitForStrokes(1);
    await type(page.driver, 'Fill ink, typed', '#6b8f5e');
    await click(page.driver, 'button', 'Apply to all strokes');
    await pen(line({ x: 10, y: 10 }, { x: 30, y: 10 }));
    await waitForStrokes(2);
    await finish();
    const changed = await settledShot(page.driver);
    expect(alike(changed.at(middle.x, middle.y), [0x6b, 0x8f, 0x5e])).toBe(true);
    expect(isInk(changed, await tiles.spot(20, 10))).toBe(true);
    expect((await tiles.stored(id)).placements).toHaveLength(1);
    expect(await motifsOf(id)).toHaveLength(1);
  });

  it('is rubbed out in all instances, by strokes or whole ones, undone, and outlasts the window', async () => {
    const { driver } = page;
    await tiles.open(step('brick', 1, 2), []);
    await click(driver, 'button', 'Four');
    await draw();
    await pen(line({ x: 20, y: 30 }, { x: 100, y: 30 }));
    await waitForStrokes(1);
    // The button at the pen's side rubs out, here at an instance one cell farther right.
    await pen(line({ x: 180, y: 15 }, { x: 180, y: 45 }), { button: 'right' });
    const [gap, left] = [await tiles.spot(60, 30), await tiles.spot(40, 30)];
    await settled(driver);
    const rubbed = await shot(driver);
    expect(isGround(rubbed, gap)).toBe(true);
    expect(isInk(rubbed, left)).toBe(true);
    await press(driver, '\uE009', 'z');
    await waitForStrokes(1);
    expect(isInk(await settledShot(driver), gap)).toBe(true);
    await press(driver, '\uE009', 'y');
    await waitForStrokes(2);

    // Left and opened again, all of it is still there.
    await driver.navigate().refresh();
    await click(driver, 'button', 'Four');
    await click(driver, 'button', 'Draw');
    await waitForStrokes(2);
    const again = await settledShot(driver);
    expect(isGround(again, gap)).toBe(true);
    expect(isInk(again, left)).toBe(true);
    await finish();
    const done = await settledShot(driver);
    expect(isGround(done, gap)).toBe(true);
    expect(isInk(done, left)).toBe(true);

    await pen(line({ x: 20, y: 70 }, { x: 100, y: 70 }));
    await waitForStrokes(1);
    await click(driver, 'radio', 'Remove strokes');
    await pen([{ x: 50, y: 70 }]);
    await waitForStrokes(0);
    await click(driver, 'radio', 'Brush');
  });

  it('is mirrored and turned as it is drawn, and stays one motif', async () => {
    const { driver } = page;
    const id = await tiles.open(step('square'), []);
    await draw(3);
    await click(driver, 'radio', 'Brush');
    await driver.findElement(By.xpath("//summary[normalize-space()='Symmetry']")).click();
    await click(driver, 'radio', 'Turned');
    await type(driver, 'Times', '4');
    await type(driver, 'Centre X', '60');
    await type(driver, 'Centre Y', '45');
    await pen(line({ x: 70, y: 50 }, { x: 90, y: 50 }), { lifted: false });
    const rays = await Promise.all(
      [
        [85, 50],
        [55, 70],
        [35, 40],
        [65, 20],
      ].map(([x = 0, y = 0]) => tiles.spot(x, y)),
    );
    const during = await shot(driver);
    for (const ray of rays) expect(isInk(during, ray)).toBe(true);
    await lift(90, 50);
    await waitForStrokes(4);
    await finish();
    const after = await settledShot(driver);
    for (const ray of rays) expect(isInk(after, ray)).toBe(true);
    expect((await tiles.stored(id)).placements).toHaveLength(1);
    await click(driver, 'radio', 'Nothing');
  });

  it('is done with fingers on a tablet, two of which pan, and loses nothing that is taken away', async () => {
    const { driver } = page;
    await driver.manage().window().setRect({ width: 1180, height: 820 });
    const id = await tiles.open(step('square'), []);
    await draw();
    const touch = async (type: string, spots: readonly Spot[]): Promise<unknown> =>
      page.browser.devTools('Input.dispatchTouchEvent', {
        type,
        touchPoints: spots.map(({ x, y }, n) => ({ x: Math.round(x), y: Math.round(y), id: n })),
      });
    // Palms are ignored for a second after a pen.
    await driver.sleep(1100);
    const strokeOf = async (y: number, end: 'touchEnd' | 'touchCancel'): Promise<void> => {
      const spots = await Promise.all(line({ x: 20, y }, { x: 80, y }).map((at) => tiles.spot(at.x, at.y)));
      for (const [n, spot] of spots.entries()) await touch(n === 0 ? 'touchStart' : 'touchMove', [spot]);
      await touch(end, []);
    };
    await strokeOf(20, 'touchEnd');
    await strokeOf(40, 'touchCancel');
    await waitForStrokes(2);
    // Two fingers at once draw nothing.
    const before = await tiles.spot(0, 0);
    const [a, b] = [await tiles.spot(30, 60), await tiles.spot(60, 60)];
    await touch('touchStart', [a]);
    await touch('touchStart', [a, b]);
    const moved = [a, b].map(({ x, y }) => ({ x: x + 40, y: y + 20 }));
    await touch('touchMove', moved);
    await touch('touchEnd', []);
    await settled(driver);
    const after = await tiles.spot(0, 0);
    expect([after.x - before.x, after.y - before.y]).toEqual([40, 20]);
    await waitForStrokes(2);
    await finish();
    expect((await tiles.stored(id)).placements).toHaveLength(1);
    expect(isInk(await settledShot(driver), await tiles.spot(50, 20))).toBe(true);
  });

  it('fills an area that lines of several repeats close off, and scatters motifs that keep their distance', async () => {
    const { driver } = page;
    await driver.manage().window().setRect({ width: 1280, height: 800 });
    const id = await tiles.open(step('half-drop', 1, 2), [{ x: 20, y: 80 }]);
    await draw(2);
    await click(driver, 'radio', 'Scatter');
    await pickMotif(driver, 'Add a motif', 'Tile');
    await type(driver, 'Smallest', '20');
    await type(driver, 'Largest', '30');
    await type(driver, 'Spacing', '10');
    await drag(driver, await tiles.spot(40, 10), await tiles.spot(110, 10));
    await driver.wait(async () => (await tiles.stored(id)).placements.length > 2, PATIENCE, 'nothing was scattered');
    const { placements } = await tiles.stored(id);
    await click(driver, 'radio', 'Brush');
    const scattered = placements.slice(1);
    for (const placement of scattered) {
      expect(placement.scale).toBeGreaterThanOrEqual(0.2);
      expect(placement.scale).toBeLessThanOrEqual(0.3);
    }

    await pen(line({ x: 30, y: -3 }, { x: 30, y: 93 }, 24));
    await pen(line({ x: 28, y: 30 }, { x: 152, y: 30 }, 30));
    await waitForStrokes(2);
    await click(driver, 'radio', 'Fill');
    await type(driver, 'Ink, typed', '#d9a441');
    const inside = await tiles.spot(90, 60);
    await clickAt(driver, inside);
    await waitForStrokes(3);
    const isFilled = (screen: Shot, { x, y }: Spot): boolean => alike(screen.at(x, y), [0xd9, 0xa4, 0x41]);
    expect(isFilled(await settledShot(driver), inside)).toBe(true);
    // Over the edge of the cell, in the next column.
    await finish();
    const done = await settledShot(driver);
    expect(isFilled(done, inside)).toBe(true);
    expect(isFilled(done, await tiles.spot(10, 100))).toBe(true);
    expect(isInk(done, await tiles.spot(30, 50))).toBe(true);
  });

  it('makes a vine that meets its next repeat, bends everywhere at once, and has leaves that follow', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), []);
    await draw(4);
    await click(driver, 'radio', 'Vine');
    const hand = Array.from({ length: 13 }, (_, n) => ({
      x: 10 + n * 10,
      y: 20 + n * 3.75 + 14 * Math.sin((2 * Math.PI * n) / 12),
    }));
    await pen(hand);
    await waitForText(driver, 'Columns to its next repeat');
    /** Without the pins, which lie over it. */
    const bare = async (): Promise<Shot> => {
      await click(driver, 'radio', 'Brush');
      const screen = await settledShot(driver);
      await click(driver, 'radio', 'Vine');
      return screen;
    };
    const first = await bare();
    // Where it begins, and half a cell lower one cell on.
    for (const [x, y] of [
      [10, 20],
      [130, 65],
    ] as const)
      expect(isInk(first, await tiles.spot(x, y))).toBe(true);

    // A point is dragged: the vine follows there, and half a cell lower one cell on.
    const pins = await driver.findElements(By.css('[data-vine-pin="1"]'));
    const boxes = await Promise.all(pins.map((pin) => pin.getRect()));
    const pin = boxes[0];
    if (!pin) throw new Error('there is no pin');
    const from = { x: pin.x + pin.width / 2, y: pin.y + pin.height / 2 };
    const to = { x: from.x, y: from.y + 70 };
    await drag(driver, from, to);
    const { scale } = await cellOnScreen(driver);
    const bent = await bare();
    expect(isInk(bent, to)).toBe(true);
    for (const [i, j] of [
      [1, 0],
      [0, -1],
      [1, -1],
      [-1, 0],
    ] as const) {
      const echo = { x: to.x + i * 120 * scale, y: to.y + (i * 45 + j * 90) * scale };
      if (echo.x > 70 && echo.x < 960 && echo.y > 60 && echo.y < 700) expect(isInk(bent, echo)).toBe(true);
    }

    await driver.findElement(By.xpath("//summary[contains(., 'Leaves')]")).click();
    await pickMotif(driver, 'Add leaves', 'Tile');
    await settled(driver);
    await click(driver, 'button', 'Finish');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 1, PATIENCE, 'it was never finished');
    const [motif] = (await motifsOf(id)).filter(({ recipe }) => recipe?.kind === 'vine');
    if (motif?.recipe?.kind !== 'vine') throw new Error('it is no vine');
    expect(motif.recipe.index).toEqual({ i: 1, j: 0 });
    expect(motif.recipe.period).toEqual({ x: 120, y: 45 });
    expect(motif.recipe.leaves).toHaveLength(1);

    // Led another way: over a column and a row.
    await driver.findElement(By.xpath("//button[starts-with(normalize-space(), 'Continue drawing')]")).click();
    await type(driver, 'Rows to its next repeat', '-1');
    await finishVine();
    const [again] = (await motifsOf(id)).filter(({ recipe }) => recipe?.kind === 'vine');
    expect(again?.recipe).toMatchObject({ index: { i: 1, j: -1 }, period: { x: 120, y: -45 } });
    await click(driver, 'radio', 'Brush');
    const led = await settledShot(driver);
    expect(isInk(led, await tiles.spot(10, 20))).toBe(true);
    expect(isInk(led, await tiles.spot(130, 65))).toBe(true);
  });
});
