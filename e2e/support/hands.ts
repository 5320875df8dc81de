import sharp from 'sharp';
import { Button, By, Key, Origin, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { PATIENCE } from './browser.ts';

export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What is on the screen, to be read pixel by pixel. */
export interface Shot {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue at a pixel of the window. */
  at(x: number, y: number): readonly [number, number, number];
  readonly data: Buffer;
}

export async function shot(driver: WebDriver): Promise<Shot> {
  const png = Buffer.from(await driver.takeScreenshot(), 'base64');
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return {
    width: info.width,
    height: info.height,
    data,
    at(x, y) {
      const i = (Math.round(y) * info.width + Math.round(x)) * 3;
      return [data[i] as number, data[i + 1] as number, data[i + 2] as number];
    },
  };
}

/**
 * Waits until the page has come to rest: nothing is being painted, fetched or faded, and nothing in it has changed for
 * some frames.
 */
export async function settled(driver: WebDriver): Promise<void> {
  const calm: boolean = await driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     const began = performance.now();
     let quiet = 0;
     const changes = new MutationObserver(() => (quiet = 0));
     changes.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
     const busy = () =>
       document.readyState !== 'complete' ||
       document.fonts.status !== 'loaded' ||
       document.querySelector('[data-cloth] canvas:not([aria-busy="false"]), [aria-busy="true"]') !== null ||
       document.getAnimations().some((animation) => animation.playState === 'running') ||
       [...document.images].some((image) => !image.complete && image.loading !== 'lazy');
     const look = () => {
       quiet = busy() ? 0 : quiet + 1;
       const late = performance.now() - began > ${PATIENCE};
       if (quiet < 8 && !late) return requestAnimationFrame(look);
       changes.disconnect();
       done(!late);
     };
     requestAnimationFrame(look);`,
  );
  if (!calm) throw new Error('the page never came to rest');
}

/** The screen once the page has come to rest. */
export async function settledShot(driver: WebDriver): Promise<Shot> {
  await settled(driver);
  return shot(driver);
}

/** Whether two colours are the same but for rounding. */
export function alike(a: readonly number[], b: readonly number[], by = 6): boolean {
  return a.every((value, i) => Math.abs(value - (b[i] as number)) <= by);
}

export async function drag(
  driver: WebDriver,
  from: Spot,
  to: Spot,
  { held }: { readonly held?: string } = {},
): Promise<void> {
  const along = [0.2, 0.5, 0.8, 1].map((share) => ({
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
  }));
  await dragAlong(driver, [from, ...along], held === undefined ? {} : { held });
}

/** Presses at the first place, goes through the others and lifts at the last. */
export async function dragAlong(
  driver: WebDriver,
  [from, ...along]: readonly Spot[],
  { held }: { readonly held?: string } = {},
): Promise<void> {
  if (!from) throw new Error('a drag begins somewhere');
  const hand = driver.actions({ async: false });
  if (held) hand.keyDown(held);
  hand.move({ ...whole(from), origin: Origin.VIEWPORT }).press(Button.LEFT);
  for (const spot of along) hand.move({ ...whole(spot), origin: Origin.VIEWPORT, duration: 40 });
  hand.release(Button.LEFT);
  if (held) hand.keyUp(held);
  await hand.perform();
}

export async function clickAt(driver: WebDriver, at: Spot, { held }: { held?: string } = {}): Promise<void> {
  const hand = driver.actions({ async: false });
  if (held) hand.keyDown(held);
  hand.move({ ...whole(at), origin: Origin.VIEWPORT }).click();
  if (held) hand.keyUp(held);
  await hand.perform();
}

export async function wheel(driver: WebDriver, at: Spot, deltaY: number): Promise<void> {
  const spot = whole(at);
  // The package's types do not know this action yet.
  const hand = driver.actions({ async: false }) as unknown as {
    scroll(x: number, y: number, dx: number, dy: number, origin: unknown): { perform(): Promise<void> };
  };
  await hand.scroll(spot.x, spot.y, 0, Math.round(deltaY), Origin.VIEWPORT).perform();
}

export async function press(driver: WebDriver, ...keys: string[]): Promise<void> {
  const hand = driver.actions({ async: false });
  for (const key of keys.slice(0, -1)) hand.keyDown(key);
  hand.sendKeys(keys.at(-1) as string);
  for (const key of keys.slice(0, -1).reverse()) hand.keyUp(key);
  await hand.perform();
}

/** Goes to an element with the tab key, from where the focus is. */
export async function tabTo(driver: WebDriver, selector: string): Promise<void> {
  for (let n = 0; n < 60; n += 1) {
    const isThere = await driver.executeScript('return document.activeElement?.matches(arguments[0])', selector);
    if (isThere === true) return;
    await press(driver, Key.TAB);
  }
  throw new Error(`the tab key does not come to ${selector}`);
}

/** Draws with a brush that the keys move: to where it begins with its first keys, then on with the others, pressed down. */
export async function strokeByKeys(driver: WebDriver, to: readonly string[], along: readonly string[]): Promise<void> {
  const hand = driver.actions({ async: false });
  const pressAll = (keys: readonly string[]): void => {
    for (const key of keys) hand.keyDown(key).keyUp(key);
  };
  hand.keyDown(Key.SHIFT);
  pressAll(to);
  hand.keyDown(Key.SPACE);
  // As long as it takes to be shown.
  hand.pause(100);
  pressAll(along);
  await hand.keyUp(Key.SPACE).keyUp(Key.SHIFT).perform();
}

/** An element by what is written on it or by its label. */
export async function named(
  driver: WebDriver,
  role: 'button' | 'link' | 'field' | 'radio',
  name: string,
): Promise<WebElement> {
  const text = xpathText(name);
  const paths = {
    button: `//button[normalize-space()=${text} or @aria-label=${text}]`,
    link: `//a[normalize-space()=${text} or .//*[normalize-space()=${text}]]`,
    field: `//input[@aria-label=${text} or @id=(//label[normalize-space()=${text}]/@for) or ancestor::label[normalize-space()=${text} or .//span[normalize-space()=${text}]]]`,
    radio: `//*[@role='radio'][normalize-space()=${text}]`,
  };
  return driver.wait(until.elementLocated(By.xpath(paths[role])), PATIENCE, `no ${role} “${name}”`);
}

export async function click(driver: WebDriver, role: 'button' | 'link' | 'radio', name: string): Promise<void> {
  await (await named(driver, role, name)).click();
}

/** Types into a field in place of what is there, and confirms. */
export async function type(driver: WebDriver, name: string, text: string, confirm = true): Promise<void> {
  const field = await named(driver, 'field', name);
  await field.click();
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, ...(confirm ? [Key.ENTER] : []));
}

/** Picks a motif in a field that searches the drawer. */
export async function pickMotif(driver: WebDriver, label: string, name: string): Promise<void> {
  const field = await named(driver, 'field', label);
  await field.click();
  await field.sendKeys(name);
  const option = By.xpath(`//*[@role='option'][normalize-space()=${xpathText(name)}]`);
  await driver.wait(until.elementLocated(option), PATIENCE, `the drawer offers no “${name}”`).click();
}

export async function waitForText(driver: WebDriver, text: string): Promise<WebElement> {
  return driver.wait(
    until.elementLocated(By.xpath(`//*[contains(normalize-space(.), ${xpathText(text)})]`)),
    PATIENCE,
    `“${text}” never appeared`,
  );
}

export async function waitUntilSaved(driver: WebDriver): Promise<void> {
  // What was done a moment ago is on the page by the frame after next.
  await driver.executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]));');
  await driver.wait(until.elementLocated(By.css('[data-saved="saved"]'))).catch(async () => {
    throw new Error(
      `it was never saved: ${await driver.executeScript<string>("const note = document.querySelector('[data-saved]'); return note ? `${note.dataset.saved} ${note.title}` : document.body.innerText.slice(0, 300);")}`,
    );
  });
}

/** The cell's stitched outline on screen. */
export async function cellOnScreen(
  driver: WebDriver,
): Promise<{ left: number; top: number; right: number; bottom: number; scale: number }> {
  await driver.wait(until.elementLocated(By.css('[data-cell] > polygon')), PATIENCE, 'there is no cell');
  return driver.executeScript(`
    const box = document.querySelector('[data-cell] > polygon').getBoundingClientRect();
    const scale = Number(document.querySelector('[data-scale]').dataset.scale);
    return { left: box.left, top: box.top, right: box.right, bottom: box.bottom, scale };
  `);
}

export async function middleOf(driver: WebDriver, css: string): Promise<Spot> {
  await driver.wait(until.elementLocated(By.css(css)), PATIENCE, `nothing matches ${css}`);
  return driver.executeScript(
    `const b = document.querySelector(arguments[0]).getBoundingClientRect(); return { x: b.left + b.width / 2, y: b.top + b.height / 2 };`,
    css,
  );
}

/** Everything the browser complained about since it was last asked. */
export async function complaints(driver: WebDriver): Promise<string[]> {
  const entries = await driver.manage().logs().get('browser');
  return entries.filter(({ level }) => level.name === 'SEVERE').map(({ message }) => message);
}

function whole({ x, y }: Spot): { x: number; y: number } {
  return { x: Math.round(x), y: Math.round(y) };
}

function xpathText(text: string): string {
  return text.includes("'") ? `"${text}"` : `'${text}'`;
}
