import { By, Key, Origin, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { type Placement } from '../core/document/index.ts';
import { SQUARE } from '../core/lattice/index.ts';
import { clickAt, press, settledShot, waitForText } from './support/hands.ts';
import { useTiles } from './support/tiles.ts';
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

describe('two windows', () => {
  it('copy and paste into each other, at the same place or at the pointer', async () => {
    const { driver } = page;
    await tiles.open(SQUARE, [{ x: 20, y: 30, rotation: 30, opacity: 0.5 }]);
    await press(driver, Key.CONTROL, 'a');
    await press(driver, Key.CONTROL, 'c');
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    try {
      const id = await tiles.open(SQUARE, []);
      await press(driver, Key.CONTROL, 'v');
      await driver.wait(async () => (await tiles.stored(id)).placements.length === 1, PATIENCE, 'nothing was pasted');
      expect((await tiles.stored(id)).placements[0]).toMatchObject({ x: 20, y: 30, rotation: 30, opacity: 0.5 });
      const at = await tiles.spot(90, 70);
      await driver
        .actions({ async: false })
        .move({ x: Math.round(at.x), y: Math.round(at.y), origin: Origin.VIEWPORT })
        .perform();
      await press(driver, Key.CONTROL, Key.SHIFT, 'v');
      await driver.wait(
        async () => (await tiles.stored(id)).placements.length === 2,
        PATIENCE,
        'nothing was pasted at the pointer',
      );
      const second = (await tiles.stored(id)).placements[1];
      expect(near(second?.x ?? 0, 90, 1) && near(second?.y ?? 0, 70, 1)).toBe(true);
    } finally {
      await driver.close();
      await driver.switchTo().window(first);
    }
  });

  it('see each other edit the same design, and take up what was changed', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [
      { x: 20, y: 30 },
      { x: 80, y: 30 },
    ]);
    const url = await driver.getCurrentUrl();
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    try {
      await driver.get(url);
      await settledShot(driver);
      await clickAt(driver, await tiles.spot(80, 30));
      await press(driver, Key.ARROW_RIGHT);
      await lies(id, 1, ({ x }) => x === 81, 'the second window did not save');
      await driver.switchTo().window(first);
      await waitForText(driver, 'Edited in another window: moved a motif');
      // What it does next stands on what the other did; nothing is parted.
      await clickAt(driver, await tiles.spot(20, 30));
      await press(driver, Key.ARROW_RIGHT);
      await lies(id, 0, ({ x }) => x === 21, 'the first window did not save');
      expect((await tiles.stored(id)).placements.map(({ x }) => x)).toEqual([21, 81]);
      expect(await driver.getCurrentUrl()).toBe(url);
    } finally {
      const [, second] = await driver.getAllWindowHandles();
      await driver.switchTo().window(second ?? first);
      await driver.close();
      await driver.switchTo().window(first);
    }
  });

  it('cut off meanwhile: edits to different motifs go together, edits to the same are both kept', async () => {
    page.expectComplaint(/net::ERR_|status of 409/);
    const { driver } = page;
    const cutOff = (offline: boolean): Promise<unknown> =>
      (driver as unknown as { setNetworkConditions(conditions: object): Promise<unknown> }).setNetworkConditions({
        offline,
        latency: 0,
        download_throughput: -1,
        upload_throughput: -1,
      });
    const id = await tiles.open(SQUARE, [
      { x: 20, y: 30 },
      { x: 80, y: 30 },
    ]);
    await cutOff(true);
    await clickAt(driver, await tiles.spot(20, 30));
    await press(driver, Key.ARROW_RIGHT);
    await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')));
    await tiles.elsewhere(id, 1, [{ type: 'change', changes: { t1: { x: 90 } } }]);
    await cutOff(false);
    await lies(id, 0, ({ x }) => x === 21, 'the edit was never brought together with the other');
    expect((await tiles.stored(id)).placements.map(({ x }) => x)).toEqual([21, 90]);

    await cutOff(true);
    await press(driver, Key.ARROW_RIGHT);
    await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')));
    await tiles.elsewhere(id, 3, [{ type: 'change', changes: { t0: { x: 5 } } }]);
    await cutOff(false);
    await driver.wait(
      async () => !(await driver.getCurrentUrl()).endsWith(id),
      PATIENCE,
      'the two were never kept apart',
    );
    const mine = (await driver.getCurrentUrl()).split('/').at(-1) as string;
    await settledShot(driver);
    expect((await tiles.stored(mine)).placements[0]).toMatchObject({ x: 22 });
    expect((await tiles.stored(mine)).name).toMatch(/^Tiles, kept \d\d:\d\d$/);
    expect((await tiles.stored(id)).placements[0]).toMatchObject({ x: 5 });
    expect(await driver.findElement(By.css('[role=alert]')).getText()).toContain('Both versions are kept');
  });
});
