import { beforeAll, describe, expect, it } from 'vitest';
import { step } from '../core/lattice/index.ts';
import { cellOnScreen, settled, type Spot } from './support/hands.ts';
import { useTiles } from './support/tiles.ts';

const tiles = useTiles();
const { page } = tiles;

beforeAll(async () => {
  await page.browser.devTools('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
});

/** Fingers put down at the first spots, led through the rest, and lifted, or taken away by the system. */
async function fingers(
  path: readonly (readonly Spot[])[],
  end: 'touchEnd' | 'touchCancel' = 'touchEnd',
): Promise<void> {
  const points = (spots: readonly Spot[]) => spots.map(({ x, y }, id) => ({ x: Math.round(x), y: Math.round(y), id }));
  for (const [n, spots] of path.entries())
    await page.browser.devTools('Input.dispatchTouchEvent', {
      type: n === 0 ? 'touchStart' : 'touchMove',
      touchPoints: points(spots),
    });
  await page.browser.devTools('Input.dispatchTouchEvent', { type: end, touchPoints: [] });
  await settled(page.driver);
}

const along = (from: Spot, to: Spot, share: number): Spot => ({
  x: from.x + (to.x - from.x) * share,
  y: from.y + (to.y - from.y) * share,
});
const SHARES = [0, 0.25, 0.5, 0.75, 1];

describe('touch', () => {
  it('pans and zooms with two fingers: what is under them stays under them', async () => {
    await tiles.open(step('half-drop', 1, 2), [{}]);
    const before = await cellOnScreen(page.driver);
    const [a, b] = [
      { x: 400, y: 300 },
      { x: 560, y: 420 },
    ];
    const [c, d] = [
      { x: 360, y: 280 },
      { x: 680, y: 520 },
    ];
    await fingers(SHARES.map((share) => [along(a, c, share), along(b, d, share)]));
    const after = await cellOnScreen(page.driver);
    expect(after.scale / before.scale).toBeCloseTo(2, 1);
    // The plane's place under the first finger; the cell on screen may be another one by then, so whole cells are taken off.
    const under = (spot: Spot, { left, top, scale }: typeof before): Spot => ({
      x: (spot.x - left) / scale,
      y: (spot.y - top) / scale,
    });
    const [was, is] = [under(a, before), under(c, after)];
    const columns = Math.round((is.x - was.x) / 120);
    const rest = is.y - was.y - (columns * 90) / 2;
    expect(Math.abs(is.x - was.x - columns * 120)).toBeLessThan(1);
    expect(Math.abs(rest - 90 * Math.round(rest / 90))).toBeLessThan(1);
  });

  it('moves a motif with one finger, and leaves it where it was when the system takes the finger away', async () => {
    const id = await tiles.open(step('square'), [{ x: 60, y: 45 }]);
    const from = await tiles.spot(60, 45);
    const { scale } = await cellOnScreen(page.driver);
    const to = { x: from.x + 20 * scale, y: from.y + 10 * scale };
    const path = SHARES.map((share) => [along(from, to, share)]);
    await fingers(path, 'touchCancel');
    expect((await tiles.stored(id)).placements[0]).toMatchObject({ x: 60, y: 45 });
    await fingers(path);
    const [moved] = (await tiles.stored(id)).placements;
    expect(moved?.x).toBeCloseTo(80, 0);
    expect(moved?.y).toBeCloseTo(55, 0);
  });
});
