import { By, until } from 'selenium-webdriver';
import type { DesignMotif } from '../../contract/index.ts';
import { PATIENCE } from './browser.ts';
import { alike, click, settled, type, type Shot, type Spot } from './hands.ts';
import { GROUND, type Tiles } from './tiles.ts';

export const INK = '#2a6f97';
const INK_RGB = [0x2a, 0x6f, 0x97] as const;
export const isInk = (screen: Shot, { x, y }: Spot): boolean => alike(screen.at(x, y), INK_RGB);
export const isGround = (screen: Shot, { x, y }: Spot): boolean => alike(screen.at(x, y), GROUND);

export const line = (from: Spot, to: Spot, count = 8): Spot[] =>
  Array.from({ length: count + 1 }, (_, n) => ({
    x: from.x + ((to.x - from.x) * n) / count,
    y: from.y + ((to.y - from.y) * n) / count,
  }));

/** A hand with a pen on the cloth of a studio. */
export function usePen(tiles: Tiles) {
  const { page } = tiles;
  /** A pen on the glass, at places of the cell in mm. */
  const pen = async (
    places: readonly { readonly x: number; readonly y: number; readonly force?: number }[],
    { button = 'left', lifted = true }: { button?: 'left' | 'right'; lifted?: boolean } = {},
  ): Promise<void> => {
    const buttons = button === 'left' ? 1 : 2;
    for (const [n, { x, y, force = 0.8 }] of places.entries()) {
      const at = await tiles.spot(x, y);
      const event = { ...at, pointerType: 'pen', force, button, buttons };
      if (n === 0)
        await page.browser.devTools('Input.dispatchMouseEvent', { ...event, type: 'mouseMoved', buttons: 0 });
      await page.browser.devTools('Input.dispatchMouseEvent', {
        ...event,
        type: n === 0 ? 'mousePressed' : 'mouseMoved',
        clickCount: n === 0 ? 1 : 0,
      });
      if (n === places.length - 1 && lifted)
        await page.browser.devTools('Input.dispatchMouseEvent', { ...event, type: 'mouseReleased', buttons: 0 });
    }
  };
  const lift = async (x: number, y: number): Promise<void> => {
    const at = await tiles.spot(x, y);
    await page.browser.devTools('Input.dispatchMouseEvent', {
      ...at,
      type: 'mouseReleased',
      pointerType: 'pen',
      button: 'left',
      buttons: 0,
    });
  };

  /** The drawing part, with a plain brush: what it leaves is as wide as it is, and ends bluntly. */
  const draw = async (width = 4): Promise<void> => {
    const { driver } = page;
    await click(driver, 'button', 'Draw');
    await type(driver, 'Ink, typed', INK);
    await type(driver, 'Width', String(width));
    await type(driver, 'Taper at start', '0');
    await type(driver, 'Taper at end', '0');
    await click(driver, 'radio', 'Constant');
  };
  const finish = async (): Promise<void> => {
    await click(page.driver, 'button', 'Finish');
    await waitForStrokes(0);
    await settled(page.driver);
  };
  const finishVine = async (): Promise<void> => {
    await click(page.driver, 'button', 'Finish');
    await page.driver.wait(
      async () => (await page.driver.findElements(By.css('[data-vine-pin], [data-making]'))).length === 0,
      PATIENCE,
      'the vine was never finished',
    );
    await settled(page.driver);
  };
  const waitForStrokes = (count: number): Promise<unknown> =>
    page.driver.wait(until.elementLocated(By.css(`[data-strokes="${count}"]`)), PATIENCE, `never ${count} strokes`);
  const motifsOf = async (design: string): Promise<DesignMotif[]> =>
    (await (await fetch(`${page.hevrel.url}/api/designs/${design}/motifs`)).json()) as DesignMotif[];
  return { pen, lift, draw, finish, finishVine, waitForStrokes, motifsOf };
}
