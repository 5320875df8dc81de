import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
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
  type Spot,
} from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { PATIENCE } from './support/browser.ts';

const DARK = [0x1b, 0x22, 0x33] as const;

const page = useStudio();

const { find } = page;
const { tick } = page;
const drawings = async (): Promise<{ left: number; top: number; right: number; bottom: number; out: boolean }[]> =>
  page.driver.executeScript(
    `return [...document.querySelectorAll('[data-drawing]')].map((e) => { const b = e.getBoundingClientRect(); return { left: b.left, top: b.top, right: b.right, bottom: b.bottom, out: e.dataset.drawing === 'left-out' }; });`,
  );
const middle = ({ left, top, right, bottom }: { left: number; top: number; right: number; bottom: number }): Spot => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
});
/** Waits until as many drawings are shown, or are left out: a slow machine cuts the sheet for a while after each change. */
const waitForDrawings = async (count: number, state: 'shown' | 'left out' = 'shown'): Promise<void> => {
  await page.driver.wait(
    async () => (await drawings()).filter(({ out }) => out || state === 'shown').length === count,
    PATIENCE,
    `there were not ${count} drawings ${state}`,
  );
};
const settled = (): ReturnType<typeof settledShot> => settledShot(page.driver);

describe('the workshop', () => {
  it('scans a sheet, gets over a jam on the way', async () => {
    const { driver } = page;
    await page.goTo('/workshop');
    await click(driver, 'button', 'Scan a sheet');
    await (await driver.wait(until.elementLocated(By.xpath('//label[normalize-space()="Brush marks"]')))).click();
    await click(driver, 'button', 'Scan');
    await waitForText(driver, 'is creased and jammed in the feeder');
    await click(driver, 'button', 'Clear the jam');
    await named(driver, 'button', 'Scan');
    await (await driver.findElement(By.xpath('//label[normalize-space()="Ink studies"]'))).click();
    await click(driver, 'button', 'Scan');
    await driver.wait(until.urlMatches(/workshop\/.+/));
    await find('[data-sheet-table]');
    await waitForText(driver, '2480 × 3507 px');
  });

  it('straightens it, lifts it, takes the paper away on a dark ground and leaves the white inside', async () => {
    const { driver } = page;
    await click(driver, 'button', 'Detect tilt');
    const typed = await named(driver, 'field', 'Straighten by, typed');
    await driver.wait(
      async () => /^-1\.(6|7)/.test((await typed.getAttribute('value')) ?? ''),
      PATIENCE,
      'the tilt was not found',
    );
    await tick('Even out lighting and paper tint');
    await tick('Adjust levels');
    await find('[data-level="white"]');
    await click(driver, 'radio', 'Outside');
    await click(driver, 'button', 'On dark');
    const screen = await settled();
    // The urchin is the fourth study, after the title: the dark ground around it, white within its line.
    await tick('Each drawing becomes a motif');
    await settled();
    const boxes = await drawings();
    const urchin = boxes[4] as (typeof boxes)[number];
    expect(alike(screen.at(urchin.left + 8, urchin.top + 8), DARK)).toBe(true);
    const inside = screen.at(
      urchin.left + (urchin.right - urchin.left) * 0.5,
      urchin.top + (urchin.bottom - urchin.top) * 0.09,
    );
    expect(Math.min(...inside)).toBeGreaterThan(235);
  });

  it('keeps no pale fringe on the dark ground', async () => {
    const { driver } = page;
    await tick('Each drawing becomes a motif');
    await click(driver, 'radio', 'Everywhere');
    const screen = await settled();
    const table: { left: number; top: number; width: number; height: number } = await driver.executeScript(
      `return document.querySelector('[data-sheet-table]').getBoundingClientRect().toJSON();`,
    );
    let [pale, seen] = [0, 0];
    // Below the title, where ink alone is drawn: nothing there is lighter than the ground but for what scaling rounds.
    for (let y = table.top + table.height * 0.12; y < table.top + table.height * 0.9; y += 1) {
      for (let x = table.left + 4; x < table.left + table.width - 4; x += 1) {
        seen += 1;
        if (Math.min(...screen.at(x, y)) > 90) pale += 1;
      }
    }
    expect(pale / seen).toBeLessThan(0.0002);
    await click(driver, 'radio', 'Outside');
    await tick('Each drawing becomes a motif');
    await settled();
  });

  it('shows the cuts, joins and leaves out by hand, and takes each back', async () => {
    const { driver } = page;
    const before = await drawings();
    expect(before.length).toBeGreaterThanOrEqual(7);
    await click(driver, 'button', 'Leave out');
    const [title] = before as [(typeof before)[number]];
    await drag(driver, middle(title), middle(title));
    await waitForDrawings(1, 'left out');
    await click(driver, 'button', 'Join');
    await drag(driver, middle(before[1] as typeof title), middle(before[2] as typeof title));
    await waitForDrawings(before.length - 1);
    await press(driver, Key.CONTROL, 'z');
    await waitForDrawings(before.length);
    await click(driver, 'button', 'Join');
    await click(driver, 'button', 'Leave out');
    const last = (await drawings()).at(-1) as typeof title;
    await drag(driver, middle(last), middle(last));
    await click(driver, 'button', 'Leave out');
    await waitForDrawings(2, 'left out');
  });

  it('keeps the steps with the sheet', async () => {
    const { driver } = page;
    const shown = await drawings();
    await driver.sleep(900);
    await driver.navigate().refresh();
    await find('[data-drawing]');
    await settled();
    expect((await drawings()).map(({ out }) => out)).toEqual(shown.map(({ out }) => out));
  });

  it('makes its drawings motifs, one of which is laid on the cloth', async () => {
    const { driver } = page;
    await type(driver, 'Names begin with', 'Study', false);
    const count = (await drawings()).filter(({ out }) => !out).length;
    await click(driver, 'button', `Make ${count} motifs`);
    await waitForText(driver, `${count} motifs are in the drawer.`);
    await page.goTo('/');
    await click(driver, 'button', 'New design');
    await type(driver, 'Name', 'From the scanner', false);
    await click(driver, 'button', 'Create');
    await driver.wait(until.elementLocated(By.css('[data-cell]')));
    await settled();
    const from = await middleOf(driver, '[data-motif][title^="Study 1"]');
    const to = await middleOf(driver, '[data-cloth]');
    await drag(driver, from, to);
    await waitUntilSaved(driver);
    await press(driver, Key.ESCAPE);
    const screen = await settled();
    let ink = 0;
    for (let x = -120; x < 120; x += 1) if (Math.max(...screen.at(to.x + x, to.y)) < 60) ink += 1;
    expect(ink).toBeGreaterThan(3);
  });
});
