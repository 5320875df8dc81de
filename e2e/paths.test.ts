import { By, Key, until, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { step } from '../core/lattice/index.ts';
import { PATIENCE } from './support/browser.ts';
import {
  click,
  clickAt,
  drag,
  press,
  settled,
  settledShot,
  shot,
  type,
  type Shot,
  type Spot,
} from './support/hands.ts';
import { INK, isGround, isInk, usePen } from './support/penHands.ts';
import { isPink, useTiles } from './support/tiles.ts';

const tiles = useTiles();
const { page } = tiles;
const { finish, finishVine, waitForStrokes, motifsOf } = usePen(tiles);

const pathPoints = (count: number): Promise<unknown> =>
  page.driver.wait(until.elementLocated(By.css(`[data-path-points="${count}"]`)), PATIENCE, `never ${count} points`);

const redAt = (screen: Shot, { x, y }: Spot): number => screen.at(x, y)[0];

describe('the pen', () => {
  it('sets corners and smooth points, over the edge of a half-drop, and closes at the first', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), []);
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Pen');
    await type(driver, 'Ink, typed', INK);
    await type(driver, 'Width', '4');
    const at = async (x: number, y: number): Promise<Spot> => tiles.spot(x, y);
    await clickAt(driver, await at(100, 20));
    await clickAt(driver, await at(135, 20));
    await pathPoints(2);
    // The last point is smooth: its curve swings out to where the handle is pulled from.
    await drag(driver, await at(135, 50), await at(115, 65));
    await clickAt(driver, await at(100, 50));
    await pathPoints(4);
    await driver.actions().sendKeys(Key.DELETE).perform();
    await pathPoints(3);
    await clickAt(driver, await at(100, 50));
    const during = await shot(driver);
    expect(isInk(during, await at(115, 20))).toBe(true);
    // Half a cell lower, one cell on.
    expect(isInk(during, await at(5, 65))).toBe(true);
    await clickAt(driver, await at(100, 20));
    await waitForStrokes(1);
    await finish();
    const done = await settledShot(driver);
    for (const [x, y] of [
      [115, 20],
      [100, 35],
      [5, 65],
    ] as const)
      expect(isInk(done, await at(x, y))).toBe(true);
    expect(isGround(done, await at(115, 35))).toBe(true);
    const [motif] = await motifsOf(id);
    if (motif?.recipe?.kind !== 'drawn') throw new Error('it is no drawing');
    const [stroke] = motif.recipe.strokes;
    expect(stroke?.deed).toBe('path');
    expect(stroke?.points).toMatch(/^M.*L.*C.*Z$/);
  });

  it('draws a line that is ended by Enter, and lets go of one by Escape', async () => {
    const { driver } = page;
    await tiles.open(step('square'), []);
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Pen');
    await clickAt(driver, await tiles.spot(20, 20));
    await clickAt(driver, await tiles.spot(60, 20));
    await pathPoints(2);
    await press(driver, Key.ENTER);
    await pathPoints(0);
    await waitForStrokes(1);
    await clickAt(driver, await tiles.spot(20, 60));
    await pathPoints(1);
    await press(driver, Key.ESCAPE);
    await pathPoints(0);
    await waitForStrokes(1);
  });
});

describe('shading', () => {
  it('goes over a fill in every repeat, by handles that are dragged on any of them', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), []);
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Pen');
    await type(driver, 'Ink, typed', INK);
    await type(driver, 'Width', '20');
    await clickAt(driver, await tiles.spot(20, 40));
    await clickAt(driver, await tiles.spot(100, 40));
    await press(driver, Key.ENTER);
    await waitForStrokes(1);
    await click(driver, 'radio', 'Shade');
    await type(driver, 'Blend to, typed', '#ffffff');
    await drag(driver, await tiles.spot(20, 40), await tiles.spot(100, 40));
    // Beside the line between the handles.
    const along = async (screen: Shot): Promise<number[]> =>
      Promise.all([25, 60, 95].map(async (x) => redAt(screen, await tiles.spot(x, 34))));
    const during = await along(await settledShot(driver));
    // Red goes from that of the ink, 42, to 255.
    expect(during[0]).toBeLessThan(65);
    expect(Math.abs((during[1] as number) - (42 + 255) / 2)).toBeLessThan(6);
    expect(during[2]).toBeGreaterThan(235);
    // Its end is taken by the handle of another repeat, half a cell lower and a cell back, and drawn out by 20 mm.
    await drag(driver, await tiles.spot(100 - 120, 40 + 45), await tiles.spot(120 - 120, 40 + 45));
    const longer = await along(await settledShot(driver));
    expect(Math.abs((longer[1] as number) - (42 + 0.4 * (255 - 42)))).toBeLessThan(6);
    await finish();
    const done = await settledShot(driver);
    for (const [n, red] of (await along(done)).entries()) expect(Math.abs(red - (longer[n] as number))).toBeLessThan(4);
    const [motif] = await motifsOf(id);
    expect(motif?.recipe).toMatchObject({ strokes: [{ shading: { kind: 'linear', ink: '#ffffff' } }] });
  });
});

describe('two vines', () => {
  it('cross, and one passes under the other where it is clicked', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), []);
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Vine');
    const crossing = By.css('[data-crossing]');
    const vine = async (ink: string, from: Spot, to: Spot): Promise<void> => {
      await type(driver, 'Ink, typed', ink);
      await type(driver, 'Width', '8');
      await drag(driver, await tiles.spot(from.x, from.y), await tiles.spot(to.x, to.y));
      await driver.wait(until.elementLocated(By.css('[data-vine-pin]')), PATIENCE, 'there is no vine');
    };
    await vine('#d9a441', { x: 60, y: -15 }, { x: 60, y: 74 });
    await finishVine();
    await vine(INK, { x: -5, y: 20 }, { x: 115, y: 64 });
    const marks = await driver.wait(until.elementsLocated(crossing), PATIENCE, 'nothing crosses');
    // The line goes half a cell down from one column to the next: midway it is near 60, 45.
    const place = await tiles.spot(60, 46);
    const isOver = (screen: Shot, spot: Spot): boolean => isInk(screen, { x: spot.x + 9, y: spot.y + 1 });
    const before = await settledShot(driver);
    expect(isOver(before, place)).toBe(true);
    await (marks[0] as WebElement).click();
    await driver.wait(until.elementLocated(By.css('[data-crossing][aria-pressed="true"]')), PATIENCE, 'not swapped');
    expect(isOver(await settledShot(driver), place)).toBe(false);
    await finishVine();
    const done = await settledShot(driver);
    expect(isOver(done, place)).toBe(false);
    const [upper] = (await motifsOf(id)).filter(({ recipe }) => recipe?.kind === 'vine' && recipe.ink === INK);
    expect(upper?.recipe).toMatchObject({ passes: [{}] });
  });
});

describe('points', () => {
  it('are gone through and moved by keys alone', async () => {
    const { driver } = page;
    const id = await tiles.open(step('square'), [{ x: 40, y: 30 }]);
    await clickAt(driver, await tiles.spot(40, 30));
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Points');
    await click(driver, 'button', 'Open the points of “Tile”');
    await driver.wait(until.elementLocated(By.css('[data-points="4"]')), PATIENCE, 'its points never opened');
    await press(driver, 'n');
    await press(driver, Key.SHIFT, Key.ARROW_UP);
    await settled(driver);
    // The upper left corner of a tile of 40 × 20 mm, 10 mm higher.
    await driver.wait(async () => isPink(await settledShot(driver), await tiles.spot(21.5, 15)), PATIENCE, 'not moved');
    await click(driver, 'button', 'Cancel');
    await driver.wait(
      async () => !isPink(await settledShot(driver), await tiles.spot(21.5, 15)),
      PATIENCE,
      'still moved',
    );
    expect(await motifsOf(id)).toMatchObject([{ recipe: null }]);
  });

  it('opens the points of an imported motif, moves one with the pointer, and all its placements follow', async () => {
    const { driver } = page;
    const id = await tiles.open(step('square'), [
      { x: 40, y: 30 },
      { x: 80, y: 70 },
    ]);
    await clickAt(driver, await tiles.spot(40, 30));
    await click(driver, 'button', 'Draw');
    await click(driver, 'radio', 'Points');
    await click(driver, 'button', 'Open the points of “Tile”');
    await driver.wait(until.elementLocated(By.css('[data-points="4"]')), PATIENCE, 'its points never opened');
    await settled(driver);
    // The lower right corner of a tile of 40 × 20 mm, 6 mm farther out and down.
    const corner = await tiles.spot(60, 40);
    const to = await tiles.spot(66, 46);
    const [beyond, elsewhere] = [await tiles.spot(61, 41.5), await tiles.spot(101, 81.5)];
    const before = await shot(driver);
    expect(isPink(before, beyond)).toBe(false);
    await drag(driver, corner, to);
    await settled(driver);
    const during = await shot(driver);
    expect(isPink(during, beyond)).toBe(true);
    await press(driver, '\uE009', 'z');
    expect(isPink(await settledShot(driver), beyond)).toBe(false);
    await press(driver, '\uE009', 'y');
    // A point more, on the upper edge, and the numbers of one.
    await clickAt(driver, await tiles.spot(45, 20));
    await driver.wait(until.elementLocated(By.css('[data-points="5"]')), PATIENCE, 'no point was added');
    await type(driver, 'Y', '-16');
    await click(driver, 'button', 'Finish');
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-points]'))).length === 0,
      PATIENCE,
      'it was never finished',
    );
    await click(driver, 'button', 'Arrange');
    const after = await settledShot(driver);
    expect(isPink(after, beyond)).toBe(true);
    // The other placement of the same motif.
    expect(isPink(after, elsewhere)).toBe(true);
    expect(isPink(after, await tiles.spot(45, 16))).toBe(true);
    const [motif] = await motifsOf(id);
    expect(motif?.recipe).toMatchObject({ kind: 'points', before: null });
  });
});
