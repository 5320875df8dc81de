import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Button, Origin } from 'selenium-webdriver';
import { openBrowser } from '../e2e/support/browser.ts';
import { click, settled, waitForText } from '../e2e/support/hands.ts';
import { serve } from '../server/serve.ts';
import { scattered } from './scattered.ts';

const WEB = fileURLToPath(new URL('../dist/web', import.meta.url));
const STROKES = 10;
/** From here on a task holds the page up, ms. */
const LONG = 50;

/** Draws strokes over 300 motifs in the window that is served; says how long each task took that held the page up, ms. */
export async function longTasksOfStrokes(): Promise<readonly number[]> {
  const data = mkdtempSync(join(tmpdir(), 'hevrel-strokes-'));
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty: false }, WEB, () => undefined);
  const { driver, close } = await openBrowser();
  try {
    await serving.studio.designs.insert(scattered(300));
    await driver.get(`${serving.url}/designs/bench-300`);
    await waitForText(driver, 'motifs are in the cell');
    await click(driver, 'button', 'Draw');
    await settled(driver);
    await driver.executeScript(
      "window.longTasks = []; new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map(({ duration }) => duration))).observe({ entryTypes: ['longtask'] });",
    );
    for (let stroke = 0; stroke < STROKES; stroke += 1) {
      const hand = driver.actions({ async: false });
      for (let n = 0; n <= 60; n += 1) {
        const at = { x: Math.round(120 + n * 12), y: Math.round(120 + stroke * 45 + 60 * Math.sin(n / 6)) };
        hand.move({ ...at, origin: Origin.VIEWPORT, duration: 8 });
        if (n === 0) hand.press(Button.LEFT);
      }
      hand.release(Button.LEFT);
      await hand.perform();
    }
    await settled(driver);
    const long: number[] = await driver.executeScript('return window.longTasks;');
    return long.filter((ms) => ms > LONG);
  } finally {
    await close();
    await serving.close();
    rmSync(data, { recursive: true, force: true });
  }
}
