import { By, until, type WebElement } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect } from 'vitest';
import type { TryOn } from '../../core/tryon/index.ts';
import { PATIENCE } from './browser.ts';
import { click, drag, type Spot } from './hands.ts';
import type { Studio } from './studio.ts';

/** A try-on as it is shown, RGBA. */
interface ShownPicture {
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
  /** Red, green and blue of a pixel. */
  at(x: number, y: number): number[];
}

/** What is done to try-ons in the tests, and what is asked of them. */
export function tryOnHands(page: Studio) {
  const api = async <T>(path: string, init?: RequestInit): Promise<T> => {
    const response = await fetch(`${page.hevrel.url}/api${path}`, {
      ...init,
      headers: {
        'X-Requested-With': 'Hevrel',
        ...(init?.body !== undefined && { 'Content-Type': 'application/json' }),
      },
    });
    const text = await response.text();
    expect(response.ok, text).toBe(true);
    return JSON.parse(text || 'null') as T;
  };

  /** The picture as it is shown once it is there in full: RGBA. */
  async function picture(): Promise<ShownPicture> {
    // Asked for in one go: it is taken away while it is dressed anew.
    const url = await page.driver.wait(
      async () =>
        // A canvas of 300 × 150 has not been painted on yet.
        page.driver.executeScript<string | null>(
          `const canvas = document.querySelector('[data-dressed] canvas');
           return canvas && (canvas.width !== 300 || canvas.height !== 150) ? canvas.toDataURL() : null;`,
        ),
      PATIENCE,
      'the picture is not there',
    );
    if (url === null) throw new Error('the picture is not there');
    const { data, info } = await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = info;
    return { width, height, data, at: (x, y) => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)] };
  }

  async function saved(): Promise<TryOn> {
    const { driver } = page;
    await driver.executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]));');
    await driver.wait(until.elementLocated(By.css('[data-saved="saved"]')), PATIENCE, 'it is not saved');
    const id = (await driver.getCurrentUrl()).split('/').at(-1);
    return (await api<{ tryOn: TryOn }>(`/try-ons/${id}`)).tryOn;
  }

  /** Waits until what is saved is as it should be. */
  async function untilSaved(isThere: (tryOn: TryOn) => boolean): Promise<TryOn> {
    await page.driver.wait(async () => isThere(await saved()), PATIENCE, 'what was done is not saved');
    return saved();
  }

  /** A place of the picture in the window, by shares of its width and height. */
  async function placeOf(x: number, y: number): Promise<Spot> {
    const box = await (await page.find('[data-dressed] canvas')).getRect();
    return { x: Math.round(box.x + box.width * x), y: Math.round(box.y + box.height * y) };
  }

  async function clickPicture(x: number, y: number): Promise<void> {
    const at = await placeOf(x, y);
    await drag(page.driver, at, at);
  }

  async function chooseProduct(name: string): Promise<void> {
    await click(page.driver, 'button', 'Change product');
    await (
      await page.driver.wait(
        until.elementLocated(By.xpath(`//div[@role='dialog']//button[.//span[.='${name}']]`)),
        PATIENCE,
      )
    ).click();
    await page.driver.wait(until.elementLocated(By.xpath(`//aside//span[.='${name}']`)), PATIENCE);
  }

  async function bringProduct(file: string): Promise<void> {
    await click(page.driver, 'button', 'Change product');
    const input: WebElement = await page.find('div[role=dialog] input[type=file]');
    await input.sendKeys(file);
  }

  return { api, picture, saved, untilSaved, placeOf, clickPicture, chooseProduct, bringProduct };
}
