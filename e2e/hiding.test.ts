import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { step } from '../core/lattice/index.ts';
import { PATIENCE } from './support/browser.ts';
import { alike, click, clickAt, drag, press, settled, settledShot, type, type Spot } from './support/hands.ts';
import { isGround, line, usePen } from './support/penHands.ts';
import { GROUND, isPink, PINK, useTiles } from './support/tiles.ts';

const tiles = useTiles();
const { page } = tiles;
const { pen, motifsOf } = usePen(tiles);

/** Opens the mask of the tile that lies at a place of the cell. */
async function openMask(x: number, y: number): Promise<void> {
  const { driver } = page;
  await clickAt(driver, await tiles.spot(x, y));
  await click(driver, 'button', 'Draw');
  await click(driver, 'radio', 'Hide');
  const name = By.xpath("//button[starts-with(normalize-space(), 'Hide a part of')]");
  await (await driver.wait(until.elementLocated(name), PATIENCE, 'nothing is selected')).click();
}
/** Opens the mask of a tile that has none. */
async function hideAPart(x: number, y: number): Promise<void> {
  await openMask(x, y);
  await areas(0);
}
const areas = (count: number): Promise<unknown> =>
  page.driver.wait(until.elementLocated(By.css(`[data-areas="${count}"]`)), PATIENCE, `never ${count} areas`);
async function finish(): Promise<void> {
  await click(page.driver, 'button', 'Finish');
  await page.driver.wait(
    async () => (await page.driver.findElements(By.css('[data-areas]'))).length === 0,
    PATIENCE,
    'it was never finished',
  );
  await click(page.driver, 'button', 'Arrange');
}
/** Waits until a place of the screen is as it should be. */
async function looksSo(spot: Spot, isSo: (screen: Awaited<ReturnType<typeof settledShot>>, at: Spot) => boolean) {
  await page.driver.wait(async () => isSo(await settledShot(page.driver), spot), PATIENCE, 'it never looks so');
}

describe('hiding a part of a motif', () => {
  it('hides with a brush and shows again with a lasso, undone area by area, in one placement alone', async () => {
    const { driver } = page;
    const id = await tiles.open(step('square'), [
      { x: 40, y: 30 },
      { x: 80, y: 70 },
    ]);
    await hideAPart(40, 30);
    await click(driver, 'radio', 'Only this one');
    await driver.findElement(By.xpath("//*[@aria-label='Mark with']//*[normalize-space()='Brush']")).click();
    await type(driver, 'Width', '8');
    await pen(line({ x: 15, y: 30 }, { x: 65, y: 30 }));
    await areas(1);
    await looksSo(await tiles.spot(50, 30), isGround);
    await click(driver, 'radio', 'Lasso');
    await click(driver, 'radio', 'Show again');
    const lasso = [
      { x: 45, y: 22 },
      { x: 58, y: 22 },
      { x: 58, y: 38 },
      { x: 45, y: 38 },
      { x: 45, y: 23 },
    ];
    await pen(lasso);
    await areas(2);
    await looksSo(await tiles.spot(52, 30), isPink);
    await click(driver, 'button', 'Undo a change of the mask');
    await areas(1);
    await click(driver, 'button', 'Redo a change of the mask');
    await areas(2);
    await finish();
    const after = await settledShot(driver);
    expect(isPink(after, await tiles.spot(52, 30))).toBe(true);
    expect(isGround(after, await tiles.spot(30, 30))).toBe(true);
    expect(isPink(after, await tiles.spot(70, 70))).toBe(true);
    expect(new Set((await tiles.stored(id)).placements.map(({ motif }) => motif)).size).toBe(2);
  });

  it('clips a motif to the outline of another, and shows all of it again', async () => {
    const { driver } = page;
    const id = await tiles.open(step('square'), [
      { x: 40, y: 30 },
      { x: 60, y: 40 },
    ]);
    await hideAPart(30, 25);
    const list = await page.find('select[aria-label="Clip to another motif"]');
    await list.findElement(By.xpath('./option[2]')).click();
    await areas(1);
    // What the two have in common is from 40 to 60 mm and from 30 to 40 mm.
    await looksSo(await tiles.spot(30, 25), isGround);
    await finish();
    const [motif] = await motifsOf(id);
    expect(motif?.recipe).toMatchObject({ kind: 'masked', areas: [{ deed: 'keep' }] });
    await settled(driver);
    await openMask(50, 34);
    await areas(1);
    await click(driver, 'button', 'Show everything again');
    await finish();
    await looksSo(await tiles.spot(30, 25), isPink);
  });

  // The last one, since the motif that all of them share has a part hidden from then on.
  it('hides it in every placement and repeat, softens its edge, and lets nothing there be picked', async () => {
    const { driver } = page;
    const id = await tiles.open(step('half-drop', 1, 2), [
      { x: 110, y: 30 },
      { x: 40, y: 75, rotation: 180 },
    ]);
    await hideAPart(110, 30);
    // The right half of a tile of 40 × 20 mm.
    await click(driver, 'radio', 'Box');
    await drag(driver, await tiles.spot(110, 15), await tiles.spot(135, 45));
    await areas(1);
    const [left, right, turned] = [await tiles.spot(100, 30), await tiles.spot(122, 30), await tiles.spot(28, 75)];
    await looksSo(right, isGround);
    const during = await settledShot(driver);
    expect(isPink(during, left)).toBe(true);
    // What comes in half a cell lower is hidden, too.
    expect(isGround(during, await tiles.spot(3, 75))).toBe(true);
    await type(driver, 'Soft edge', '12');
    // In the middle of the edge half of it is seen.
    const edge = await tiles.spot(110, 30);
    const half = PINK.map((level, n) => Math.round((level + (GROUND[n] as number)) / 2));
    await looksSo(edge, (screen, at) =>
      screen.at(at.x, at.y).every((level, n) => Math.abs(level - (half[n] ?? 0)) < 30),
    );
    await finish();
    const after = await settledShot(driver);
    expect(isPink(after, left)).toBe(true);
    expect(isGround(after, await tiles.spot(128, 30))).toBe(true);
    // The placement that is turned lost the half that is on its left now.
    expect(isGround(after, await tiles.spot(22, 75))).toBe(true);
    expect(isPink(after, await tiles.spot(52, 75))).toBe(true);
    expect(alike(after.at(turned.x, turned.y), PINK)).toBe(false);
    await clickAt(driver, await tiles.spot(127, 30));
    expect(await driver.findElements(By.css('input[aria-label="Rotation"]'))).toHaveLength(0);
    const masked = { kind: 'masked', areas: [{ deed: 'hide' }] };
    expect((await motifsOf(id))[0]?.recipe).toMatchObject(masked);
    // Shown again, which is then undone.
    await openMask(100, 30);
    await areas(1);
    await click(driver, 'button', 'Show everything again');
    await finish();
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(
      async () => (await motifsOf(id))[0]?.recipe?.kind === 'masked',
      PATIENCE,
      'the mask never came back',
    );
    expect((await motifsOf(id))[0]?.recipe).toMatchObject(masked);
    await looksSo(await tiles.spot(128, 30), isGround);
  });
});
