import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from '../e2e/support/browser.ts';
import { drag, press, settled, waitForText } from '../e2e/support/hands.ts';
import { serve } from '../server/serve.ts';

const DESIGN = '/designs/low-tide-limpets-and-rope';
const WEB = fileURLToPath(new URL('../dist/web', import.meta.url));
/** From here on the engine tells of a task, ms. */
const LONG = 50;
/** What is pressed after a drag, in turns. */
const KEYS = [['t'], ['m'], [Key.ARROW_LEFT], ['g'], [Key.CONTROL, 'd'], [Key.CONTROL, 'z'], ['f'], ['u']];

/** What a session of edits did to the page. */
export interface SessionTimings {
  readonly edits: number;
  /** Each time the page did not answer for 50 ms or more, ms. */
  readonly long: readonly number[];
  /** How much longer the same work took at the worst moments of the session than at the best: what else ran on the machine. */
  readonly slower: number;
}

/** Arranges a sample with pointer and keys for at least as many edits, in the window that is served to everyone. */
export async function sessionTimings(edits: number): Promise<SessionTimings> {
  const data = mkdtempSync(join(tmpdir(), 'hevrel-session-'));
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty: false }, WEB, () => undefined);
  const { driver, close } = await openBrowser();
  try {
    await driver.get(serving.url + DESIGN);
    await waitForText(driver, 'motifs are in the cell');
    await settled(driver);
    await driver.executeScript(
      "window.longTasks = []; new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map(({ duration }) => duration))).observe({ entryTypes: ['longtask'] });",
    );
    const box: { left: number; top: number; width: number; height: number } = await driver.executeScript(
      'const b = document.querySelector("[data-cloth]").getBoundingClientRect(); return { left: b.left, top: b.top, width: b.width, height: b.height };',
    );
    let slower = await stretch(driver);
    let done = 0;
    for (let n = 0; done < edits && n < 2 * edits; n += 1) {
      const from = {
        x: box.left + box.width * (0.12 + ((n * 37) % 70) / 100),
        y: box.top + box.height * (0.12 + ((n * 53) % 70) / 100),
      };
      await drag(driver, from, { x: from.x + 31, y: from.y - 14 });
      await press(driver, ...(KEYS[n % KEYS.length] as string[]));
      done = await driver.executeScript(
        "return Number(/(\\d+) steps?$/.exec([...document.querySelectorAll('summary')].find((s) => s.textContent.startsWith('History'))?.textContent ?? '')?.[1] ?? 0);",
      );
      if (n % 20 === 19) slower = Math.max(slower, await stretch(driver));
    }
    const long: number[] = await driver.executeScript('return window.longTasks;');
    return { edits: done, long: long.filter((ms) => ms > LONG), slower };
  } finally {
    await close();
    await serving.close();
    rmSync(data, { recursive: true, force: true });
  }
}

/** How much longer the same work takes on the page now and then than at best. */
function stretch(driver: WebDriver): Promise<number> {
  return driver.executeAsyncScript(`
    const done = arguments[0];
    const times = [];
    const work = () => {
      const began = performance.now();
      let sum = 0;
      for (let i = 0; i < 4e6; i += 1) sum += Math.sqrt(i);
      times.push(performance.now() - began + (sum > 0 ? 0 : 1));
      if (times.length < 60) setTimeout(work, 5);
      else {
        times.sort((a, b) => a - b);
        done(Math.max(1, times[56] / times[3]));
      }
    };
    work();`);
}
