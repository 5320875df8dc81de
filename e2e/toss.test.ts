import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { SQUARE, step } from '../core/lattice/index.ts';
import { pickMotif, cellOnScreen, click, clickAt, press, settledShot, type, waitForText } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();
const { page } = tiles;

/** Chooses in a list as a hand does, by what is written. */
async function pick(label: string, option: string): Promise<void> {
  const { driver } = page;
  const list = await driver.wait(until.elementLocated(By.css(`select[aria-label="${label}"]`)));
  await list.findElement(By.xpath(`./option[normalize-space()='${option}']`)).click();
}

/** The toss side, with so many tiles to lay. */
async function prepare(count: number, smallest: number, largest: number, gap: number): Promise<void> {
  const { driver } = page;
  await click(driver, 'button', 'Toss');
  await pickMotif(driver, 'Add a motif', 'Tile');
  await pick('Role of Tile', 'Filler');
  await type(driver, 'How many of Tile', String(count));
  await type(driver, 'Smallest size of Tile', String(smallest));
  await type(driver, 'Largest size of Tile', String(largest));
  await type(driver, 'Gap', String(gap));
  await type(driver, 'Ground visible', '0');
}

const still = (): Promise<unknown> =>
  page.driver.wait(until.elementLocated(By.css('[data-toss="still"]')), PATIENCE, 'it never ended');

describe('a toss', () => {
  it('goes into a half-drop around what lies there, is stopped half way, finished, pinned, and undone as one step', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), [{ x: 2, y: 90 }], { size: { width: 300, height: 180 } });
    await prepare(1500, 12, 14, 1);
    await click(driver, 'button', 'Toss the motifs');
    await driver.wait(until.elementLocated(By.css('[data-toss="running"]')));
    // The cloth fills as it goes.
    await driver.wait(
      async () =>
        Number(/^(\d+) of/.exec(await (await driver.findElement(By.css('[data-toss]'))).getText())?.[1] ?? 0) > 20,
      PATIENCE,
      'it never showed what is laid',
    );
    await click(driver, 'button', 'Stop and keep');
    await still();
    const half = await tiles.stored(id);
    expect(half.placements.length).toBeGreaterThan(20);
    expect(half.placements.length).toBeLessThan(1500);
    expect(half.placements.find((placement) => placement.id === 't0')).toMatchObject({ x: 2, y: 90, scale: 1 });
    expect(half.toss?.laid).toHaveLength(half.placements.length - 1);

    // What was written, and a toss under way, outlast a look at other parts of the job.
    await type(driver, 'How many of Tile', '60');
    await click(driver, 'button', 'Arrange');
    await click(driver, 'button', 'Toss');
    await click(driver, 'button', 'Toss from scratch');
    await click(driver, 'button', 'Repeat');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 61, PATIENCE, 'it was never finished');
    await click(driver, 'button', 'Toss');
    await still();
    const whole = await tiles.stored(id);
    expect(whole.placements.find((placement) => placement.id === 't0')).toMatchObject({ x: 2, y: 90 });
    // What was laid before has made room.
    expect(whole.placements.some((placement) => half.toss?.laid.includes(placement.id))).toBe(false);
    // The hand's own tile keeps its gap, seen in the echo half a cell lower.
    const screen = await settledShot(driver);
    const { left, top } = await cellOnScreen(driver);
    const beside = await tiles.spot(2 + 300 + 20.5, 180 + 0.5 - 90 + 90);
    expect(beside.x, `the echo is in sight of a cell at ${left}, ${top}`).toBeLessThan(970);
    expect(isPink(screen, beside)).toBe(false);

    // One of them pinned stays where it is when all else is tossed anew.
    const kept = whole.placements[5];
    await clickAt(driver, await tiles.spot(kept?.x ?? 0, kept?.y ?? 0));
    await click(driver, 'button', 'Pin selected');
    await click(driver, 'button', 'New seed');
    await driver.wait(
      async () => (await tiles.stored(id)).toss?.recipe.seed === 2,
      PATIENCE,
      'it was never tossed with another seed',
    );
    const other = await tiles.stored(id);
    const chosen = other.placements.filter((placement) =>
      whole.placements.some((before) => before.id === placement.id),
    );
    expect(chosen.map((placement) => placement.id)).toContain('t0');
    expect(chosen).toHaveLength(2);
    expect(whole.placements).toContainEqual(chosen.find((placement) => placement.id !== 't0'));
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await tiles.stored(id)).toss?.recipe.seed === 1, PATIENCE, 'it could not be undone');
    expect((await tiles.stored(id)).placements.map((placement) => placement.id)).toEqual(
      whole.placements.map((placement) => placement.id),
    );
  });

  it('finds the holes, fills them, and evens out what lies unevenly', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [
      { x: 30, y: 30, scale: 0.4 },
      { x: 44, y: 38, scale: 0.4 },
    ]);
    await prepare(1, 10, 60, 2);
    await click(driver, 'button', 'See and fill the holes');
    await type(driver, 'Wider than', '15');
    await driver.wait(
      async () => Number(await (await driver.findElement(By.css('[data-holes]'))).getAttribute('data-holes')) > 2,
      PATIENCE,
      'no holes were found',
    );
    expect((await driver.findElements(By.css('[data-mark="hole"]'))).length).toBeGreaterThan(2);
    // One that is taken on the cloth is told apart in the list.
    await (await driver.findElement(By.css('[data-mark-pin="hole 1"]'))).click();
    expect(
      await (await driver.wait(until.elementLocated(By.css('[aria-label="Holes"] [aria-current="true"]')))).getText(),
    ).toMatch(/^2/);
    await click(driver, 'button', 'Fill all of these');
    await driver.wait(async () => (await tiles.stored(id)).placements.length > 4, PATIENCE, 'they were never filled');
    const filled = await tiles.stored(id);
    expect(filled.placements.slice(0, 2)).toMatchObject([
      { x: 30, y: 30 },
      { x: 44, y: 38 },
    ]);
    expect(filled.placements.slice(2).every(({ scale }) => scale >= 0.1 && scale <= 0.6)).toBe(true);
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 2);
    await press(driver, Key.CONTROL, 'a');
    const apart = async (): Promise<number> => {
      const [a, b] = (await tiles.stored(id)).placements;
      return Math.hypot((a?.x ?? 0) - (b?.x ?? 0), (a?.y ?? 0) - (b?.y ?? 0));
    };
    const before = await apart();
    await click(driver, 'button', 'Toss');
    await click(driver, 'button', 'Settle');
    await driver.wait(async () => (await apart()) > before + 1, PATIENCE, 'they never settled');
  });

  it('shows four seeds side by side, of which one is taken, and goes on from what lies there when its recipe is changed', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [], { size: { width: 200, height: 160 } });
    await prepare(8, 40, 60, 4);
    await click(driver, 'button', 'Compare four');
    await driver.wait(
      async () => (await driver.findElements(By.xpath("//button[.='Take this one']"))).length === 4,
      PATIENCE,
      'four were never tossed',
    );
    const pane = await driver.findElement(By.css('figure[aria-label="Seed 4"]'));
    await pane.findElement(By.css('button')).click();
    await driver.wait(async () => (await tiles.stored(id)).toss?.recipe.seed === 4, PATIENCE, 'it was never taken');
    const taken = await tiles.stored(id);
    expect(taken.placements).toHaveLength(8);
    // Two more of them: those that lie there stay.
    await type(driver, 'How many of Tile', '10');
    await click(driver, 'button', 'Toss from here');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 10, PATIENCE, 'it never went on');
    const places = (list: typeof taken.placements): string[] =>
      list.map(({ x, y, rotation, scale }) => `${x} ${y} ${rotation} ${scale}`);
    const more = await tiles.stored(id);
    expect(places(more.placements)).toEqual(expect.arrayContaining(places(taken.placements)));
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 8);
  });

  it('that cannot be says so, and does nothing', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{}]);
    await prepare(3, 900, 900, 5);
    await click(driver, 'button', 'Toss the motifs');
    await waitForText(driver, 'Even the smallest of these motifs is too large for the cell at this gap.');
    expect((await tiles.stored(id)).placements).toHaveLength(1);
    expect((await tiles.stored(id)).toss).toBeNull();
  });
});

describe('judging the step', () => {
  it('offers the fractions best first, shows each on the cloth while it is pointed at, and fits the cell to a row', async () => {
    const { driver } = page;
    const id = await tiles.open(
      step('brick', 1, 3),
      [
        { x: 25, y: 20 },
        { x: 75, y: 20 },
        { x: 125, y: 20 },
      ],
      { size: { width: 240, height: 90 } },
    );
    await click(driver, 'button', 'Repeat');
    await type(driver, 'Gap', '10');
    await click(driver, 'button', 'Fit the cell');
    await driver.wait(async () => (await tiles.stored(id)).repeat.width === 150, PATIENCE, 'the cell was never fitted');
    expect((await tiles.stored(id)).repeat).toMatchObject({ height: 30, step: { drop: { p: 1, q: 3 } } });
    expect((await tiles.stored(id)).placements.map(({ x, y }) => [x, y])).toEqual([
      [25, 15],
      [75, 15],
      [125, 15],
    ]);
    // By a third, three tiles stand above each other; by a half they lie between.
    const offers = await driver.findElements(By.css('[data-offer]'));
    const names = await Promise.all(offers.map((offer) => offer.getAttribute('data-offer')));
    expect(names[0]).toBe('1/2');
    expect(names).not.toContain('1/3');
    // Straight below the first: where the stitched cell lies changes with the step.
    const below = async (): Promise<boolean> => {
      const screen = await settledShot(driver);
      return isPink(screen, await tiles.spot(25, 45));
    };
    expect(await below()).toBe(true);
    await driver.actions({ async: false }).move({ origin: offers[0] }).perform();
    expect(await below()).toBe(false);
    expect((await tiles.stored(id)).repeat.step.drop).toEqual({ p: 1, q: 3 });
    await driver.actions({ async: false }).move({ x: 500, y: 300 }).perform();
    expect(await below()).toBe(true);
    await (await driver.findElement(By.css('[data-offer="1/2"]'))).click();
    await driver.wait(
      async () => (await tiles.stored(id)).repeat.step.drop.q === 2,
      PATIENCE,
      'the offer was never taken',
    );
    await press(driver, 'q');
    await driver.wait(
      until.elementLocated(
        By.css('[aria-label="Squint"] figure[aria-label="From 4 metres"] canvas[aria-busy="false"]'),
      ),
    );
    await press(driver, Key.ESCAPE);
    await driver.wait(async () => (await driver.findElements(By.css('[aria-label="Squint"]'))).length === 0);
  });
});
