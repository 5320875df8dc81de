import { By, Key, Origin, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { newLayer, type Placement } from '../core/document/index.ts';
import { SQUARE, step } from '../core/lattice/index.ts';
import { click, clickAt, drag, middleOf, named, press, settledShot, type, waitForText } from './support/hands.ts';
import { isPink, useTiles } from './support/tiles.ts';

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
      8_000,
      why,
    )
    .catch((error: unknown) => {
      throw new Error(`${String(error)}; it lies as ${JSON.stringify(placement)}`);
    });
  return placement as Placement;
}

const near = (a: number, b: number, by = 0.6): boolean => Math.abs(a - b) <= by;

describe('pins', () => {
  it('stretch one way with the other side where it was, and slant with Ctrl', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{}]);
    await clickAt(driver, await tiles.spot(60, 45));
    const { x, y } = await middleOf(driver, '[data-pin="side-right"]');
    const to = await tiles.spot(100, 45);
    await drag(driver, { x, y }, { x: to.x, y });
    // From 40 to 80 mm wide: its left side stays at 40 mm.
    const wide = await lies(
      id,
      0,
      ({ scale, aspect }) => near(scale, 1.5, 0.02) && near(aspect, 2 / 3, 0.02),
      'it was never stretched',
    );
    expect(wide.x - 20 * wide.scale).toBeCloseTo(40, 6);
    expect(wide.scale * wide.aspect).toBeCloseTo(1, 9);
    const screen = await settledShot(driver);
    expect(isPink(screen, await tiles.spot(97, 45))).toBe(true);
    expect(isPink(screen, await tiles.spot(80, 57))).toBe(false);
    const top = await middleOf(driver, '[data-pin="side-top"]');
    const aside = await tiles.spot(90, 35);
    await drag(driver, top, { x: aside.x, y: top.y }, { held: Key.CONTROL });
    const lean = await lies(id, 0, ({ skew }) => skew < -10, 'it was never slanted');
    // The lower side stayed: 20 mm over a height of 20 mm to the right is 45° at most, here about 1 in 1.
    expect(Math.tan((lean.skew * Math.PI) / 180) * 20).toBeCloseTo(-(90 - 70), -1);
    await type(driver, 'Skew', '0');
    await lies(id, 0, ({ skew }) => skew === 0, 'the slant was never typed');
  });

  it('turn several about a chosen point, over the join too', async () => {
    const { driver } = page;
    // Next to each other over the right edge of a half-drop: the second is stored half a cell lower.
    const id = await tiles.open(step('half-drop', 1, 2), [
      { x: 100, y: 20, scale: 0.4 },
      { x: 10, y: 65, scale: 0.4 },
    ]);
    await press(driver, Key.CONTROL, 'a');
    expect(await (await driver.findElement(By.css('[data-chalk-label]'))).getText()).toMatch(/^2 motifs/);
    const box = async (label: string): Promise<string> =>
      (await (await named(driver, 'field', label)).getAttribute('value')) ?? '';
    // 16 mm wide each, 30 mm apart.
    expect(await box('Width')).toBe('46 mm');
    await click(driver, 'button', 'Measure from the middle of the left side');
    await type(driver, 'Rotation', '90');
    await lies(id, 1, ({ rotation }) => rotation === 90, 'they were never turned each');
    await press(driver, Key.CONTROL, 'z');
    await lies(id, 1, ({ rotation }) => rotation === 0, 'it was never undone');
    // By the pin: both go round the middle of the left side.
    const pin = await middleOf(driver, '[data-pin="turn"]');
    const left = await tiles.spot(92, 20);
    const arm = Math.hypot(pin.x - left.x, pin.y - left.y);
    const begun = Math.atan2(pin.y - left.y, pin.x - left.x);
    await drag(
      driver,
      pin,
      { x: left.x + arm * Math.cos(begun + Math.PI / 2), y: left.y + arm * Math.sin(begun + Math.PI / 2) },
      { held: Key.SHIFT },
    );
    const first = await lies(id, 0, ({ rotation }) => rotation === 90, 'they were never turned together');
    const second = await lies(id, 1, ({ rotation }) => rotation === 90, 'they were never turned together');
    expect(first.x).toBeCloseTo(92, 6);
    expect(first.y).toBeCloseTo(28, 6);
    expect([second.x, second.y].map((n) => Number(n.toFixed(6)))).toEqual([92, 58]);
  });

  it('say mixed values, add to each, and go through the numbers by Tab and arrows', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [
      { x: 30, rotation: 10 },
      { x: 90, rotation: 30 },
    ]);
    await press(driver, Key.CONTROL, 'a');
    expect(await (await named(driver, 'field', 'Rotation')).getAttribute('value')).toBe('mixed');
    await type(driver, 'Rotation', '+5');
    await lies(id, 0, ({ rotation }) => rotation === 15, 'nothing was added');
    await lies(id, 1, ({ rotation }) => rotation === 35, 'nothing was added to the second');
    // Past the scale to the skew and a step up, on to the opacity and ten steps down.
    await press(driver, Key.TAB);
    await press(driver, Key.TAB);
    await press(driver, Key.ARROW_UP);
    await press(driver, Key.TAB);
    await press(driver, Key.SHIFT, Key.ARROW_DOWN);
    await lies(id, 1, ({ skew, opacity }) => skew === 1 && near(opacity, 0.9, 1e-9), 'the arrows did not step');
    expect((await tiles.stored(id)).placements[0]).toMatchObject({ rotation: 15, skew: 1 });
  });
});

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
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 2, 5_000);
    const after = await tiles.stored(id);
    expect(after.layers.map(({ name }) => name)).toEqual(['Motifs', 'Seaweed']);
    expect(after.placements.map(({ layer }) => after.layers.findIndex((one) => one.id === layer))).toEqual([0, 1]);
    const at = await tiles.spot(30, 45);
    await click(driver, 'button', 'Lock Motifs');
    await driver.wait(async () => (await tiles.stored(id)).layers[0]?.locked === true, 5_000);
    await press(driver, Key.ESCAPE);
    await clickAt(driver, at);
    expect(await driver.findElements(By.css('[data-chalk-label]'))).toHaveLength(0);
    await press(driver, Key.CONTROL, 'a');
    await press(driver, Key.DELETE);
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 1, 5_000);
    expect((await tiles.stored(id)).placements[0]?.id).toBe('t0');
    expect(isPink(await settledShot(driver), at)).toBe(true);
    await click(driver, 'button', 'Hide Motifs');
    await driver.wait(async () => (await tiles.stored(id)).layers[0]?.shown === false, 5_000);
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
    await driver.wait(async () => (await order()) === 't1:main t2:over t0:over', 5_000, 'it was never moved');
    await (await driver.findElement(By.css('[data-row="t0"] [data-take]'))).click();
    await press(driver, Key.ALT, Key.ARROW_DOWN);
    await driver.wait(
      async () => (await order()) === 't1:main t0:over t2:over',
      5_000,
      'Alt and the arrow did not move it',
    );
    // The layer below, onto the upper half of the one above: all in it goes over.
    const over = await row('layer over');
    await drag(driver, await row('layer main'), { x: over.x, y: over.y - 8 });
    await driver.wait(async () => (await order()) === 't0:over t2:over t1:main', 5_000, 'the layer was never moved');
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await order()) === 't1:main t0:over t2:over', 5_000, 'it was never undone');
    // By the keyboard too, though the next line is one of its own.
    await (await driver.findElement(By.css('[data-row="layer over"] [data-take]'))).click();
    await press(driver, Key.ALT, Key.ARROW_DOWN);
    await driver.wait(
      async () => (await order()) === 't0:over t2:over t1:main',
      5_000,
      'Alt and the arrow did not move the layer',
    );
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await order()) === 't1:main t0:over t2:over', 5_000, 'it was never undone again');
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
    await driver.wait(async () => (await driver.findElements(By.css('[data-stack] [data-row]'))).length === 2, 5_000);
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
      5_000,
      'it never went over the one it meets',
    );
  });
});

describe('guides', () => {
  it('are drawn out of the selvedge, catch in every cell, and are thrown away outside', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 30, y: 20 }]);
    const edge = await middleOf(driver, '[data-selvedge-edge]');
    const place = await tiles.spot(77, 60);
    await drag(driver, edge, place);
    await driver.wait(async () => (await tiles.stored(id)).guides.length === 1, 5_000, 'there is no guide');
    const [guide] = (await tiles.stored(id)).guides;
    expect(guide?.axis).toBe('x');
    expect(near(guide?.at ?? 0, 77, 0.5)).toBe(true);
    await press(driver, 's');
    const beside = await tiles.spot(guide?.at ?? 0, 63.3);
    await drag(driver, await tiles.spot(30, 20), { x: beside.x + 3, y: beside.y });
    await lies(id, 0, ({ x }) => Math.abs(x - (guide?.at ?? 0)) < 1e-9, 'the guide never caught it');
    await press(driver, 's');
    const tab = await middleOf(driver, `[data-guide="${guide?.id ?? ''}"]`);
    await drag(driver, tab, { x: 20, y: tab.y });
    await driver.wait(async () => (await tiles.stored(id)).guides.length === 0, 5_000, 'the guide is still there');
    await press(driver, Key.ESCAPE);
    await driver.executeScript(
      "[...document.querySelectorAll('summary')].find((s) => s.textContent.startsWith('Guides')).click()",
    );
    await click(driver, 'button', 'Horizontal guide');
    await driver.wait(async () => (await tiles.stored(id)).guides[0]?.at === 45, 5_000);
    await type(driver, 'Guide 1, from the cell’s upper edge', '90/4');
    await driver.wait(async () => (await tiles.stored(id)).guides[0]?.at === 22.5, 5_000);
  });
});

describe('variety and copies', () => {
  it('vary what is chosen live, and only for good once it is kept', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 30 }, { x: 90 }]);
    await press(driver, Key.CONTROL, 'a');
    await click(driver, 'button', 'Vary …');
    await type(driver, 'Rotate by up to', '90');
    await click(driver, 'button', 'Cancel');
    expect((await tiles.stored(id)).placements.map(({ rotation }) => rotation)).toEqual([0, 0]);
    await click(driver, 'button', 'Vary …');
    await click(driver, 'button', 'New seed');
    await click(driver, 'button', 'Apply');
    await lies(id, 0, ({ rotation }) => rotation !== 0 && Math.abs(rotation) <= 15, 'it was never varied');
    expect((await tiles.stored(id)).placements.map(({ x }) => x)).toEqual([30, 90]);
  });

  it('lie along a line that is drawn on the cloth', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 20, y: 20, scale: 0.3 }]);
    await clickAt(driver, await tiles.spot(20, 20));
    await click(driver, 'button', 'Several copies …');
    await click(driver, 'radio', 'Path');
    await type(driver, 'Number', '5');
    await click(driver, 'button', 'Draw the path');
    await drag(driver, await tiles.spot(20, 60), await tiles.spot(100, 60));
    await click(driver, 'button', 'Apply');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 5, 5_000, 'they were never laid');
    const xs = (await tiles.stored(id)).placements.map(({ x }) => x).sort((a, b) => a - b);
    xs.forEach((x, n) => expect(near(x, 20 + 20 * n, 1)).toBe(true));
    expect((await tiles.stored(id)).placements.every(({ y }) => near(y, 20, 1))).toBe(true);
  });
});

describe('alternatives', () => {
  it('are kept under names, seen side by side as live cloth, and taken as one step', async () => {
    const { driver } = page;
    const id = await tiles.open(SQUARE, [{ x: 60, y: 45 }]);
    await driver.executeScript(
      "[...document.querySelectorAll('summary')].find((s) => s.textContent.startsWith('Alternatives')).click()",
    );
    await click(driver, 'button', 'Save as alternative');
    await driver.wait(until.elementLocated(By.css('input[aria-label="Show Alternative 1"]')), 5_000);
    await clickAt(driver, await tiles.spot(60, 45));
    await press(driver, Key.DELETE);
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 0, 5_000);
    await driver.findElement(By.css('input[aria-label="Show Alternative 1"]')).click();
    await click(driver, 'button', 'Side by side');
    await driver.wait(
      until.elementLocated(By.css('figure[aria-label="Alternative 1"] canvas[aria-busy="false"]')),
      10_000,
    );
    const screen = await settledShot(driver);
    const pinkIn = async (name: string): Promise<number> => {
      const box: { left: number; top: number; right: number; bottom: number } = await driver.executeScript(
        'const b = document.querySelector(`figure[aria-label="${arguments[0]}"] canvas`).getBoundingClientRect(); return { left: b.left, top: b.top, right: b.right, bottom: b.bottom };',
        name,
      );
      let count = 0;
      for (let y = box.top + 4; y < box.bottom - 4; y += 4)
        for (let x = box.left + 4; x < box.right - 4; x += 4) if (isPink(screen, { x, y })) count += 1;
      return count;
    };
    expect(await pinkIn('As it is now')).toBe(0);
    expect(await pinkIn('Alternative 1')).toBeGreaterThan(100);
    await click(driver, 'button', 'Take this one');
    await lies(id, 0, ({ x, y }) => x === 60 && y === 45, 'it was never taken');
    await press(driver, Key.CONTROL, 'z');
    await driver.wait(async () => (await tiles.stored(id)).placements.length === 0, 5_000, 'it could not be undone');
    await click(driver, 'button', 'Delete Alternative 1');
    await waitForText(driver, '“Alternative 1” is deleted.');
    await click(driver, 'button', 'Undo');
    await driver.wait(until.elementLocated(By.css('input[aria-label="Show Alternative 1"]')), 5_000);
  });
});

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
      await driver.wait(async () => (await tiles.stored(id)).placements.length === 1, 5_000, 'nothing was pasted');
      expect((await tiles.stored(id)).placements[0]).toMatchObject({ x: 20, y: 30, rotation: 30, opacity: 0.5 });
      const at = await tiles.spot(90, 70);
      await driver
        .actions({ async: false })
        .move({ x: Math.round(at.x), y: Math.round(at.y), origin: Origin.VIEWPORT })
        .perform();
      await press(driver, Key.CONTROL, Key.SHIFT, 'v');
      await driver.wait(
        async () => (await tiles.stored(id)).placements.length === 2,
        5_000,
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
    await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')), 10_000);
    await tiles.elsewhere(id, 1, [{ type: 'change', changes: { t1: { x: 90 } } }]);
    await cutOff(false);
    await lies(id, 0, ({ x }) => x === 21, 'the edit was never brought together with the other');
    expect((await tiles.stored(id)).placements.map(({ x }) => x)).toEqual([21, 90]);

    await cutOff(true);
    await press(driver, Key.ARROW_RIGHT);
    await driver.wait(until.elementLocated(By.css('[data-saved="waiting"]')), 10_000);
    await tiles.elsewhere(id, 3, [{ type: 'change', changes: { t0: { x: 5 } } }]);
    await cutOff(false);
    await driver.wait(
      async () => !(await driver.getCurrentUrl()).endsWith(id),
      15_000,
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
