import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { importMotif } from '../server/motifs/importMotif.ts';
import { sourceFileOf } from '../server/testing/sourceFileOf.ts';
import {
  alike,
  click,
  drag,
  middleOf,
  named,
  press,
  settledShot,
  type,
  waitForText,
  waitUntilSaved,
  type Shot,
  type Spot,
} from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const MADDER = [0xb3, 0x40, 0x2e] as const;

const page = useStudio();

const { find, choose } = page;
const isInk = (screen: Shot, { x, y }: Spot): boolean => alike(screen.at(x, y), MADDER);
describe('the builder', () => {
  it('builds petals by their numbers, seen as a repeat while they are built', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await click(driver, 'link', 'Build a motif');
    await find('[data-stage]');
    const before = await settledShot(driver);
    const preview = await middleOf(driver, '[data-repeat-preview]');
    const stage = await middleOf(driver, '[data-stage]');
    // The eye in the middle of both.
    expect(isInk(before, stage)).toBe(true);
    expect(isInk(before, preview)).toBe(true);
    await type(driver, 'Eye, typed', '0');
    const after = await settledShot(driver);
    expect(isInk(after, stage)).toBe(false);
    expect(isInk(after, preview)).toBe(false);
    await press(driver, Key.CONTROL, 'z');
    await type(driver, 'Eye, typed', '0');
    await type(driver, 'Petals, typed', '4');
    await type(driver, 'Name of the motif', 'Sea rocket', false);
    await click(driver, 'button', 'Create motif');
    await waitForText(driver, '“Sea rocket” is in the drawer.');
  });

  it('is laid on the cloth, and changed wherever it lies', async () => {
    const { driver } = page;
    await page.goTo('/');
    await click(driver, 'button', 'New design');
    await type(driver, 'Name', 'Rockets', false);
    await click(driver, 'button', 'Create');
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await settledShot(driver);
    const cloth = await middleOf(driver, '[data-cloth]');
    await drag(driver, await middleOf(driver, '[data-motif]'), cloth);
    await waitUntilSaved(driver);
    await press(driver, Key.ESCAPE);
    expect(isInk(await settledShot(driver), cloth)).toBe(false);
    const design = await driver.getCurrentUrl();

    await page.goTo('/motifs');
    await (await find('[data-drawer-motif]')).click();
    await click(driver, 'link', 'Change its shape');
    await find('[data-stage]');
    await type(driver, 'Eye, typed', '40');
    await click(driver, 'button', 'Update motif');
    await waitForText(driver, '“Sea rocket” is changed wherever it is used.');

    await driver.get(design);
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    expect(isInk(await settledShot(driver), cloth)).toBe(true);
  });

  it('cuts a piece out of another, which stays its own and can be moved', async () => {
    const { driver } = page;
    await page.goTo('/build');
    await find('[data-stage]');
    await choose('Figure of this piece', 'Dot');
    await type(driver, 'Width, typed', '60');
    await type(driver, 'Height, typed', '60');
    await click(driver, 'button', 'Add a piece');
    await choose('Combine with the piece below', 'Cut from');
    const stage = await middleOf(driver, '[data-stage]');
    const cut = await settledShot(driver);
    expect(isInk(cut, stage)).toBe(false);
    expect(isInk(cut, { x: stage.x + 100, y: stage.y })).toBe(true);
    await drag(driver, stage, { x: stage.x + 100, y: stage.y });
    const moved = await settledShot(driver);
    expect(isInk(moved, stage)).toBe(true);
    expect(isInk(moved, { x: stage.x + 100, y: stage.y })).toBe(false);
    await (await find('[data-stage]')).click();
    await press(driver, Key.CONTROL, 'z');
    expect(isInk(await settledShot(driver), stage)).toBe(false);
  });

  it('glows from a point, and its handle on the motif says how far', async () => {
    const { driver } = page;
    // What was not finished is there again.
    await page.goTo('/build');
    await find('[data-stage]');
    await click(driver, 'button', 'Start again');
    await click(driver, 'radio', 'Glow');
    const end = '[data-handle="End of the fade"]';
    const stage = await middleOf(driver, '[data-stage]');
    const handle = await middleOf(driver, end);
    // Half-way out it is half there.
    const halfway = { x: stage.x, y: Math.round(stage.y + (handle.x - stage.x) / 2) };
    const redness = (seen: Shot): number => seen.at(halfway.x, halfway.y)[0] - seen.at(halfway.x, halfway.y)[2];
    const before = redness(await settledShot(driver));
    await drag(driver, handle, { x: Math.round(stage.x + (handle.x - stage.x) / 4), y: handle.y });
    const after = redness(await settledShot(driver));
    expect(before).toBeGreaterThan(30);
    expect(after).toBeLessThan(before - 20);
    await click(driver, 'button', 'Add a stop');
    await find('[aria-label="Stop 3 at 100 %"]');
    await type(driver, 'Opacity', '100');
    await click(driver, 'button', 'Undo');
    await click(driver, 'button', 'Undo');
    await driver.wait(async () => (await driver.findElements(By.css('[aria-label="Stop 3 at 100 %"]'))).length === 0);
  });

  it('offers alternatives, and takes the one that is picked', async () => {
    const { driver } = page;
    await page.goTo('/build');
    await find('[data-alternative]');
    await click(driver, 'button', 'Start again');
    const before = await settledShot(driver);
    expect((await driver.findElements(By.css('[data-alternative]'))).length).toBe(7);
    await (await find('[data-alternative="4"]')).click();
    expect((await settledShot(driver)).data.equals(before.data)).toBe(false);
    await press(driver, Key.CONTROL, 'z');
    await driver.executeScript('document.activeElement.blur()');
    expect(await (await named(driver, 'field', 'Petals, typed')).getAttribute('value')).toBe('6');
  });

  it('outlines words in the fonts that ship with it, and says so where nothing is left', async () => {
    const { driver } = page;
    await page.goTo('/build');
    await find('[data-stage]');
    await choose('Figure of this piece', 'Lettering');
    await type(driver, 'Text', 'Ebb', false);
    const screen = await settledShot(driver);
    const { x, y } = await middleOf(driver, '[data-stage]');
    let ink = 0;
    for (let dx = -200; dx < 200; dx += 1) if (isInk(screen, { x: x + dx, y })) ink += 1;
    expect(ink).toBeGreaterThan(15);
    await (await driver.findElement(By.xpath('//label[normalize-space()="Filled"]/input'))).click();
    await waitForText(driver, 'Nothing is visible.');
  });

  it('does not open what was not built, and leaves it as it is', async () => {
    page.expectComplaint(/status of 404/);
    const { driver } = page;
    const { studio } = page.hevrel.serving;
    const buoy = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle cx="4" cy="4" r="4" fill="#b5442f"/></svg>',
    );
    const { motif } = await importMotif(studio, 'buoy.svg', await sourceFileOf(studio, buoy), 'Test');
    await page.goTo(`/build/${motif.id}`);
    await waitForText(driver, '“Buoy” was not made in the builder');
    await page.goTo('/build/nobody');
    await waitForText(driver, 'There is no such motif here.');
  });
});
