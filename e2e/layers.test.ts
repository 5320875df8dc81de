import { By, Key, Origin } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { newLayer } from '../core/document/index.ts';
import { SQUARE } from '../core/lattice/index.ts';
import { click, clickAt, drag, middleOf, press, settledShot, type, waitForText } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';
import { PATIENCE } from './support/browser.ts';

const tiles = useTiles();

const { page } = tiles;

describe('layers', () => {
  const layers = [newLayer('main', 'Motifs'), newLayer('over', 'Over')];

  it('are added, named, hidden and locked; what is locked is not taken and what is hidden is not painted', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 30 }]);
    await click(driver, 'radio', 'Layers');
    await click(driver, 'button', 'New layer');
    await waitForText(driver, 'In Layer 2');
    await type(driver, 'Layer name', 'Seaweed');
    await waitForText(driver, 'In Seaweed');
    // A motif laid now comes into it.
    await (await driver.findElement(By.css('button[data-motif]'))).click();
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 2);
    const after = await tiles.stored(id);
    expect(after.layers.map(({ name }) => name)).toEqual(['Motifs', 'Seaweed']);
    expect(after.placements.map(({ layer }) => after.layers.findIndex((one) => one.id === layer))).toEqual([0, 1]);
    const at = await tiles.spot(30, 45);
    await click(driver, 'button', 'Lock Motifs');
    await driver.wait(async () => (await tiles.stored(id)).layers[0]?.locked === true);
    await press(driver, Key.ESCAPE);
    await clickAt(driver, at);
    expect(await driver.findElements(By.css('[data-chalk-label]'))).toHaveLength(0);
    await press(driver, Key.CONTROL, 'a');
    await press(driver, Key.DELETE);
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 1);
    expect((await tiles.stored(id)).placements[0]?.id).toBe('t0');
    expect(isPink(await settledShot(driver), at)).toBe(true);
    await click(driver, 'button', 'Hide Motifs');
    await driver.wait(async () => (await tiles.stored(id)).layers[0]?.shown === false);
    expect(isPink(await settledShot(driver), at)).toBe(false);
    // With both away, nothing can be laid, and that is said.
    await click(driver, 'button', 'Lock Seaweed');
    await (await driver.findElement(By.css('button[data-motif]'))).click();
    await waitForText(driver, 'Every layer is hidden or locked');
  });

  it('are dragged in the list, and so are motifs, by the pointer and by the keyboard', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 20 }, { x: 60 }, { x: 100, layer: 'over' }], { design: { layers } });
    await click(driver, 'radio', 'Layers');
    const row = (key: string): Promise<{ x: number; y: number }> => middleOf(driver, `[data-row="${key}"] [data-take]`);
    const order = async (): Promise<string> =>
      (await tiles.stored(id)).placements.map(({ id: one, layer }) => `${one}:${layer}`).join(' ');
    // The lowest onto the upper half of the topmost: over it, in its layer.
    const top = await row('t2');
    await drag(driver, await row('t0'), { x: top.x, y: top.y - 8 });
    await driver.wait(async () => (await order()) === 't1:main t2:over t0:over', PATIENCE, 'it was never moved');
    await (await driver.findElement(By.css('[data-row="t0"] [data-take]'))).click();
    await press(driver, Key.ALT, Key.ARROW_DOWN);
    await driver.wait(
      async () => (await order()) === 't1:main t0:over t2:over',
      PATIENCE,
      'Alt and the arrow did not move it',
    );
    // The layer below, onto the upper half of the one above: all in it goes over.
    const over = await row('layer over');
    await drag(driver, await row('layer main'), { x: over.x, y: over.y - 8 });
    await driver.wait(async () => (await order()) === 't0:over t2:over t1:main', PATIENCE, 'the layer was never moved');
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await order()) === 't1:main t0:over t2:over', PATIENCE, 'it was never undone');
    // By the keyboard too, though the next line is one of its own.
    await (await driver.findElement(By.css('[data-row="layer over"] [data-take]'))).click();
    await press(driver, Key.ALT, Key.ARROW_DOWN);
    await driver.wait(
      async () => (await order()) === 't0:over t2:over t1:main',
      PATIENCE,
      'Alt and the arrow did not move the layer',
    );
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await order()) === 't1:main t0:over t2:over', PATIENCE, 'it was never undone again');
    // With Shift several are chosen; searching leaves only what is sought.
    await (await driver.findElement(By.css('[data-row="t2"] [data-take]'))).click();
    await driver
      .actions()
      .keyDown(Key.SHIFT)
      .click(await driver.findElement(By.css('[data-row="t1"] [data-take]')))
      .keyUp(Key.SHIFT)
      .perform();
    expect(await (await driver.findElement(By.css('[data-chalk-label]'))).getText()).toMatch(/^3 motifs/);
    await type(driver, 'Search the layers', 'whelk', false);
    await driver.wait(async () => (await driver.findElements(By.css('[data-stack] [data-row]'))).length === 2);
  });

  it('seen through and blended, what moves in them looks as it will lie, and one up goes over what it meets', async () => {
    const { driver } = page;
    const half = [{ ...newLayer('main', 'Motifs'), opacity: 0.5 }, newLayer('over', 'Over')];
    const id = await tiles.open(
      SQUARE,
      [
        { x: 30, y: 30 },
        { x: 44, y: 30 },
        { x: 100, y: 75 },
      ],
      { design: { layers: half } },
    );
    const from = await tiles.spot(20, 30);
    const hand = driver.actions({ async: false });
    const to = await tiles.spot(26, 42);
    await hand
      .move({ x: Math.round(from.x), y: Math.round(from.y), origin: Origin.VIEWPORT })
      .press()
      .move({ x: Math.round(to.x), y: Math.round(to.y), duration: 120, origin: Origin.VIEWPORT })
      .perform();
    const both = await tiles.spot(40, 36);
    const alone = await tiles.spot(28, 46);
    const seen = async (): Promise<(readonly number[])[]> => {
      const screen = await settledShot(driver);
      return [both, alone].map(({ x, y }) => screen.at(x, y));
    };
    const held = await seen();
    await driver.actions({ async: false }).release().perform();
    await driver.actions({ async: false }).move({ x: 640, y: 60, origin: Origin.VIEWPORT }).perform();
    const laid = await seen();
    expect(held).toEqual(laid);
    // Laid down as one: no darker where two lie over each other than where one does.
    expect(laid[0]).toEqual(laid[1]);
    expect(laid[0]?.[0]).toBeGreaterThan(0xc0 + 15);
    await press(driver, 'u');
    await driver.wait(
      async () => (await tiles.stored(id)).placements.map((placement) => placement.id).join('') === 't1t0t2',
      PATIENCE,
      'it never went over the one it meets',
    );
  });
});
