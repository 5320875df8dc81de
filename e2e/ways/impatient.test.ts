import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import {
  alike,
  cellOnScreen,
  click,
  clickAt,
  drag,
  named,
  press,
  settled,
  shot,
  type Spot,
  waitForText,
  waitUntilSaved,
} from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';

const page = useStudio({ samples: true, isLate: true });

/** What the server has, asked past whatever makes its answers late. */
async function read<T>(path: string): Promise<T> {
  return (await (await fetch(page.hevrel.serving.url + path)).json()) as T;
}
const placements = async (): Promise<{ id: string }[]> =>
  (await read<{ design: { placements: { id: string }[] } }>('/api/designs/low-tide-limpets-and-rope')).design
    .placements;
const motifsOf = async (query: string): Promise<number> =>
  (await read<{ total: number }>(`/api/motifs?${query}`)).total;
const swatches = async (): Promise<{ name: string; newest: number }[]> =>
  (await read<{ swatches: { name: string; newest: number }[] }>('/api/swatches')).swatches;

/** Whether there is something else than the ground about a spot of the cloth. */
async function isSeen({ x, y }: Spot): Promise<boolean> {
  const screen = await shot(page.driver);
  const ground = screen.at(340, 90);
  const about = [-5, 0, 5].flatMap((dx) => [-5, 0, 5].map((dy) => screen.at(x + dx, y + dy)));
  return about.some((colour) => !alike(colour, ground, 12));
}

describe('with a server that answers late, in another order than it was asked', () => {
  it('two motifs become one bundle, whatever is pressed and selected meanwhile', async () => {
    const { driver } = page;
    await page.goTo('/');
    await (await page.find('a[href="/designs/low-tide-limpets-and-rope"]')).click();
    await page.find('[data-cell]');
    await settled(driver);
    const { left, top, scale } = await cellOnScreen(driver);
    const before = await placements();
    const [one, other] = [
      { x: left + 98 * scale, y: top + 112 * scale },
      { x: left + 5 * scale, y: top + 110 * scale },
    ];
    // A hand takes what the eye sees.
    await driver.wait(async () => (await isSeen(one)) && (await isSeen(other)), PATIENCE, 'nothing is seen there');
    await clickAt(driver, one);
    await clickAt(driver, other, { held: Key.SHIFT });
    await press(driver, 'k');
    await press(driver, 'k');
    await clickAt(driver, { x: left + 88 * scale, y: top - 10 * scale });
    await press(driver, 'k');
    await press(driver, Key.ESCAPE);
    await driver.wait(async () => (await placements()).length === before.length - 1, PATIENCE, 'nothing was bundled');
    await waitUntilSaved(driver);
    expect(await motifsOf('collection=Bundles')).toBe(1);
    expect(await placements()).toHaveLength(before.length - 1);
  });

  it('a swatch that is saved is saved once, however often that is pressed', async () => {
    const { driver } = page;
    const before = await swatches();
    await click(driver, 'button', 'Save swatch');
    const submit = await page.find('[role="dialog"] button[type="submit"]');
    await driver.wait(async () => submit.isEnabled(), PATIENCE);
    await driver.actions({ async: false }).doubleClick(submit).perform();
    await waitForText(driver, 'is in the swatch book.');
    await settled(driver);
    const versions = (list: { newest: number }[]): number => list.reduce((sum, { newest }) => sum + newest, 0);
    expect(versions(await swatches())).toBe(versions(before) + 1);
  });

  it('a word that is lettered lands once, and where it was meant to', async () => {
    const { driver } = page;
    const before = await placements();
    await click(driver, 'button', 'New motif');
    await (await page.find('[role="menu"]')).findElement(By.xpath(`.//*[normalize-space()='Letter a word']`)).click();
    const words = await named(driver, 'field', 'Text');
    await words.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Slack water');
    const make = await named(driver, 'button', 'Create motif');
    await driver.actions({ async: false }).doubleClick(make).perform();
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-chalk-label]'))).length === 1,
      PATIENCE,
      'it does not lie on the cloth',
    );
    await driver.wait(async () => (await placements()).length === before.length + 1, PATIENCE, 'it is not saved');
    await waitUntilSaved(driver);
    expect(await placements()).toHaveLength(before.length + 1);
    expect(await motifsOf('words=Slack')).toBe(1);
  });

  it('the tray shows what is searched for last', async () => {
    const { driver } = page;
    const search = await named(driver, 'field', 'Search the tray');
    for (const word of ['w', 'wh', 'whelk', 'rope']) await search.sendKeys(Key.chord(Key.CONTROL, 'a'), word);
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Slack');
    await driver.wait(
      async () => {
        const names: string[] = await driver.executeScript(
          `return [...document.querySelectorAll('section[aria-label="Tray"] button[data-motif]')].map((button) => button.textContent)`,
        );
        return names.length === 1 && names[0] === 'Slack water';
      },
      PATIENCE,
      'it shows something else',
    );
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
  });

  it('a drawing that is finished is laid and saved, though its design is left at once', async () => {
    const { driver } = page;
    const before = await placements();
    await click(driver, 'button', 'Draw');
    await settled(driver);
    const { left, top, scale } = await cellOnScreen(driver);
    await drag(driver, { x: left + 20 * scale, y: top + 30 * scale }, { x: left + 60 * scale, y: top + 30 * scale });
    await page.find('[data-strokes="1"]');
    await click(driver, 'button', 'Finish');
    await click(driver, 'link', 'Try-on');
    await page.find('[data-dressed]');
    await driver.wait(async () => (await placements()).length === before.length + 1, PATIENCE, 'the drawing is lost');
    await click(driver, 'link', 'Open the design');
    await page.find('[data-cell]');
    await click(driver, 'button', 'Draw');
    // Nothing of it is left to be finished again.
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-strokes]:not([data-strokes="0"])'))).length === 0,
      PATIENCE,
      'it is still to be finished',
    );
    await settled(driver);
    expect(await placements()).toHaveLength(before.length + 1);
  });
});
