import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { nanoid } from 'nanoid';
import { By, until, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from '../e2e/support/browser.ts';
import { serve } from '../server/serve.ts';
import { insertWholeSwatch, listSwatches, readSwatch } from '../server/store/swatches.ts';
import type { Studio } from '../server/studio.ts';

const WEB = fileURLToPath(new URL('../dist/web', import.meta.url));

/** Swatches in a page, as the book asks for them. */
const PAGE = 200;

interface Frames {
  readonly median: number;
  readonly p95: number;
}

/** Times in ms. */
export interface BookTimings {
  /** From asking for the first page of the list to having read it; and its bytes. */
  readonly list: { readonly ms: number; readonly bytes: number };
  /** Frames while scrolling. */
  readonly frames: Frames;
}

/** A swatch book as it is with the samples, and filled up to so many with copies of one of them. */
export async function bookTimings(count: number): Promise<{ few: BookTimings; many: BookTimings }> {
  const data = mkdtempSync(join(tmpdir(), 'hevrel-book-'));
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty: false }, WEB, () => undefined);
  const browser = await openBrowser();
  try {
    const few = await timingsOf(serving.url, browser.driver);
    await fill(serving.studio, count);
    return { few, many: await timingsOf(serving.url, browser.driver) };
  } finally {
    await browser.close();
    await serving.close();
    rmSync(data, { recursive: true, force: true });
  }
}

async function fill({ database }: Studio, count: number): Promise<void> {
  const {
    swatches: [first],
    total,
  } = await listSwatches(database, { offset: 0, limit: 1 });
  if (!first) throw new Error('the samples have no swatch');
  const { version } = await readSwatch(database, first.id);
  for (let n = total; n < count; n += 1) {
    const details = { name: `Swatch ${n}`, book: `Book ${n % 40}`, tags: [`tag ${n % 97}`], notes: '' };
    await insertWholeSwatch(database, nanoid(12), details, [version]);
  }
}

async function timingsOf(url: string, driver: WebDriver): Promise<BookTimings> {
  const began = performance.now();
  const text = await (await fetch(`${url}/api/swatches?limit=${PAGE}`)).text();
  JSON.parse(text);
  const list = { ms: performance.now() - began, bytes: text.length };
  await driver.get(`${url}/swatches`);
  await driver.wait(until.elementLocated(By.css('main li')), 60_000);
  const times: number[] = await driver.executeAsyncScript(FRAMES);
  times.sort((a, b) => a - b);
  const at = (share: number): number => times[Math.floor(share * times.length)] ?? 0;
  return { list, frames: { median: at(0.5), p95: at(0.95) } };
}

/** Scrolls by 40 px a frame for 180 frames, to and fro, and tells how long each took, ms. */
const FRAMES = `
  const done = arguments[0];
  const element = document.querySelector('main') ?? document.scrollingElement;
  const times = [];
  let last = performance.now();
  const step = (now) => {
    times.push(now - last);
    last = now;
    element.scrollTop += times.length % 60 < 30 ? 40 : -40;
    if (times.length < 180) requestAnimationFrame(step);
    else done(times.slice(5));
  };
  requestAnimationFrame(step);`;
