import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest';
import { By, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { PATIENCE, openBrowser, type Browser } from './browser.ts';
import { complaints } from './hands.ts';
import { startHevrel, type Hevrel, type HevrelWish } from './hevrel.ts';

/** A Hevrel and a browser in front of it, for all tests of a file. */
export interface Studio {
  readonly hevrel: Hevrel;
  readonly browser: Browser;
  readonly driver: WebDriver;
  /** Goes to a page by its path. */
  goTo(path: string): Promise<void>;
  /** The first element that matches, as soon as there is one. */
  find(css: string): Promise<WebElement>;
  /** Picks an option of a list by what is written on it. */
  choose(label: string, option: string): Promise<void>;
  /** The path of the file that came down whose name ends so. */
  downloaded(ending: string): Promise<string>;
  /** What the browser may complain of in this test, such as an answer that refuses. */
  expectComplaint(pattern: RegExp): void;
  /** Ticks a box, or takes its tick away. */
  tick(label: string): Promise<void>;
}

/** Opens a studio before a file's tests and closes it after them. @param samples whether Low Tide is laid out in it */
export function useStudio({ samples = false, ...wish }: HevrelWish & { samples?: boolean } = {}): Studio {
  let hevrel: Hevrel;
  let browser: Browser;
  beforeAll(async () => {
    [hevrel, browser] = await Promise.all([startHevrel({ empty: !samples, ...wish }), openBrowser()]);
  });
  afterAll(async () => {
    await browser.close();
    await hevrel.close();
  });
  const expected: RegExp[] = [];
  beforeEach(async () => {
    expected.length = 0;
    await complaints(browser.driver);
  });
  afterEach(async () => {
    const all = await complaints(browser.driver);
    expect(all.filter((text) => !expected.some((pattern) => pattern.test(text)))).toEqual([]);
  });
  const find = (css: string): Promise<WebElement> =>
    browser.driver.wait(until.elementLocated(By.css(css)), PATIENCE, `nothing matches ${css}`);
  return {
    get hevrel() {
      return hevrel;
    },
    get browser() {
      return browser;
    },
    get driver() {
      return browser.driver;
    },
    goTo: (path) => browser.driver.get(hevrel.url + path),
    find,
    expectComplaint: (pattern) => void expected.push(pattern),
    async downloaded(ending) {
      const { downloads } = browser;
      // The browser reserves the name with an empty file, and puts what has come down in its place.
      const there = (): string | undefined =>
        existsSync(downloads)
          ? readdirSync(downloads).find((name) => name.endsWith(ending) && statSync(join(downloads, name)).size > 0)
          : undefined;
      await browser.driver.wait(() => there() !== undefined, PATIENCE, `nothing that ends in ${ending} came down`);
      return join(downloads, there() as string);
    },
    async choose(label, option) {
      const path = `//select[@aria-label="${label}" or ancestor::label[starts-with(normalize-space(), "${label}")]]`;
      const list = await browser.driver.wait(until.elementLocated(By.xpath(path)), PATIENCE, `no list “${label}”`);
      await list.click();
      await list.findElement(By.xpath(`./option[normalize-space()="${option}"]`)).click();
    },
    async tick(label) {
      await (await browser.driver.findElement(By.xpath(`//label[normalize-space()="${label}"]/input`))).click();
    },
  };
}
