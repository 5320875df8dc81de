import { readFileSync, rmSync } from 'node:fs';
import { By, until, type WebElement } from 'selenium-webdriver';
import { afterAll, afterEach, expect } from 'vitest';
import { PATIENCE } from './browser.ts';
import { click, clickAt, drag, dragAlong, press, settled, type Spot, type, waitForText } from './hands.ts';
import { line } from './penHands.ts';
import type { Studio } from './studio.ts';

/** How many presses, drags and typed values each way took when it was last walked. Fewer is better; more is a fault. */
const COUNTS = JSON.parse(readFileSync(new URL('../ways/counts.json', import.meta.url), 'utf8')) as Readonly<
  Record<string, { readonly took: number; readonly aim: number }>
>;

/** Hands that count what they do: a press, a drag and a typed value are one each. */
export interface Walk {
  press(role: 'button' | 'link' | 'radio', name: string): Promise<void>;
  /** Presses what is found already. */
  pressOn(what: WebElement): Promise<void>;
  pressAt(at: Spot): Promise<void>;
  /** @param held a key that is held down meanwhile */
  drag(from: Spot, to: Spot, held?: string): Promise<void>;
  /** Draws through places in one go, and along straight lines between them. */
  stroke(places: readonly Spot[]): Promise<void>;
  type(field: string, text: string): Promise<void>;
  /** Picks an option of a list. */
  choose(list: string, option: string): Promise<void>;
  /** Ticks a box, or takes its tick away. */
  tick(label: string): Promise<void>;
  /** Presses a choice of the menu that is open. */
  pick(choice: string): Promise<void>;
  /** Presses a key. */
  key(name: string): Promise<void>;
  /** Presses the button of the dialog that is open. */
  confirm(name: string): Promise<void>;
}

/** Where the middle of a motif in the tray is, counted from its left. */
export function inTheTray({ driver }: Studio, n: number): Promise<Spot> {
  return driver.executeScript(
    "const { left, top, width, height } = document.querySelectorAll('[data-motif]')[arguments[0]].getBoundingClientRect(); return { x: left + width / 2, y: top + height / 2 };",
    n,
  );
}

/** The file that came down whose name ends so, taken out of the folder: the next one may have the same name. */
export async function takeDownload({ downloaded }: Studio, ending: string): Promise<Buffer> {
  const path = await downloaded(ending);
  const file = readFileSync(path);
  rmSync(path);
  return file;
}

/** Begins a design on the table: three presses. @returns once its cell is on the screen and painted */
export async function beginSquare({ goTo, find, driver }: Studio, walk: Walk): Promise<void> {
  await goTo('/');
  await walk.press('button', 'New design');
  await walk.press('radio', 'Square');
  await walk.press('button', 'Create');
  await find('[data-cell]');
  await settled(driver);
}

/** Builds a shape of one figure: four presses. @returns once it lies on the cloth, selected */
export async function buildFigure({ find, driver }: Studio, walk: Walk, figure: string): Promise<void> {
  await walk.press('button', 'New motif');
  await walk.pick('Build a shape');
  await find('[data-stage]');
  await walk.choose('Figure of this piece', figure);
  await walk.press('button', 'Create motif');
  await waitForText(driver, 'Several copies');
}

/** Creates the plain shape that is chosen: one press. @param name how that of the product begins @returns once it is the product */
export async function createShape({ driver }: Studio, walk: Walk, name: string): Promise<void> {
  await walk.press('button', 'Create shape');
  const product = By.xpath(`//aside//span[starts-with(., '${name}')]`);
  await driver.wait(until.elementLocated(product), PATIENCE, `the product is not “${name}”`);
}

/** Walks a way of working, from the table on. After the tests of the file it fails where more was needed than ever before. @param name of the way in `e2e/ways/counts.json` */
export function useWalk(page: Studio, name: string): Walk {
  let took = 0;
  let isWhole = false;
  const counted =
    <A extends readonly unknown[]>(act: (...args: A) => Promise<void>) =>
    async (...args: A): Promise<void> => {
      took += 1;
      await act(...args);
    };
  // What was not walked to its end says nothing about how long it is.
  afterEach(({ task }) => {
    isWhole = task.result?.state === 'pass';
  });
  afterAll(() => {
    if (!isWhole) return;
    const known = COUNTS[name];
    expect(known, `“${name}” is not in e2e/ways/counts.json`).toBeDefined();
    expect(took, `“${name}” takes more than it did; say why, or shorten it`).toBeLessThanOrEqual(known?.took ?? 0);
    if (took < (known?.took ?? 0)) throw new Error(`“${name}” takes ${took} now: write that into e2e/ways/counts.json`);
  });
  return {
    press: counted((role, label) => click(page.driver, role, label)),
    pressOn: counted((what) => what.click()),
    pressAt: counted((at) => clickAt(page.driver, at)),
    drag: counted((from, to, held?: string) => drag(page.driver, from, to, held === undefined ? {} : { held })),
    stroke: counted((places) =>
      dragAlong(
        page.driver,
        places.slice(1).flatMap((to, n) => line(places[n] as Spot, to)),
      ),
    ),
    key: counted((name) => press(page.driver, name)),
    choose: counted((list, option) => page.choose(list, option)),
    tick: counted((label) => page.tick(label)),
    pick: counted(async (choice) => {
      const path = `//*[@role='menu']//*[normalize-space()='${choice}']`;
      await page.driver.wait(until.elementLocated(By.xpath(path)), PATIENCE, `no menu has “${choice}”`).click();
    }),
    type: counted((field, text) => type(page.driver, field, text)),
    confirm: counted(async (label) => {
      const path = `//div[@role='dialog']//button[normalize-space()='${label}']`;
      await page.driver.wait(until.elementLocated(By.xpath(path)), PATIENCE, `no dialog has “${label}”`).click();
    }),
  };
}
