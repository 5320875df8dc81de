import { By, Key } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import { cellOnScreen, click, press, settled, waitForText, waitUntilSaved } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';

const page = useStudio();

/** Has files dropped on the cloth, or pasted, as the browser would tell of it. */
const giveFiles = (event: 'drop' | 'paste', at: { x: number; y: number }, content: string): Promise<unknown> =>
  page.driver.executeScript(
    `const [kind, at, content] = arguments;
     const data = new DataTransfer();
     if (kind === 'drop') data.items.add(new File([content], 'limpet.svg', { type: 'image/svg+xml' }));
     else data.setData('text/plain', content);
     const to = document.querySelector('[data-cloth]');
     const about = { bubbles: true, cancelable: true };
     to.dispatchEvent(kind === 'drop'
       ? new DragEvent('drop', { ...about, dataTransfer: data, clientX: at.x, clientY: at.y })
       : new ClipboardEvent('paste', { ...about, clipboardData: data }));`,
    event,
    at,
    content,
  );
const square = (colour: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20"><path fill="${colour}" d="M0 0h20v20H0z"/></svg>`;
const stored = async (): Promise<{ x: number; y: number }[]> => {
  const id = (await page.driver.getCurrentUrl()).split('/').at(-1) ?? '';
  const { design } = (await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as {
    design: { placements: { x: number; y: number }[] };
  };
  return design.placements.map(({ x, y }) => ({ x: Math.round(x), y: Math.round(y) }));
};
const laid = async (count: number): Promise<void> => {
  await page.driver.wait(async () => (await stored()).length === count, PATIENCE, `${count} did not lie there`);
  await waitUntilSaved(page.driver);
};

it('what is dropped lies where it was dropped, what is pasted in sight; halves swap, joins are walked, all is undone', async () => {
  const { driver } = page;
  await page.goTo('/');
  await click(driver, 'button', 'New design');
  await click(driver, 'button', 'Create');
  await page.find('[data-cell]');
  await settled(driver);
  const cell = await cellOnScreen(driver);
  const at = { x: cell.left + (cell.right - cell.left) / 4, y: (cell.top + cell.bottom) / 2 };
  await giveFiles('drop', at, square('#b3402e'));
  // The hand goes on: it is laid in the design, whatever part is looked at.
  await click(driver, 'button', 'Check');
  await laid(1);
  const size = await driver.executeScript<{ width: number; height: number }>(
    `return fetch('/api/designs/' + location.pathname.split('/').at(-1)).then((r) => r.json()).then(({ design }) => design.repeat)`,
  );
  const [first] = await stored();
  expect(Math.abs((first?.x ?? 0) - size.width / 4)).toBeLessThanOrEqual(2);
  expect(Math.abs((first?.y ?? 0) - size.height / 2)).toBeLessThanOrEqual(2);

  await giveFiles('paste', at, square('#3e7a5e'));
  await laid(2);
  // Text that is no drawing is not laid.
  await giveFiles('paste', at, 'kelp');
  await settled(driver);
  expect(await stored()).toHaveLength(2);

  await click(driver, 'button', 'Repeat');
  await click(driver, 'button', 'Swap halves');
  const swapped = { x: (first?.x ?? 0) + size.width / 2, y: ((first?.y ?? 0) + size.height / 2) % size.height };
  await driver.wait(
    async () => (await stored()).some(({ x, y }) => Math.abs(x - swapped.x) < 2 && Math.abs(y - swapped.y) < 2),
    PATIENCE,
    'the halves were not swapped',
  );
  await click(driver, 'button', 'Edges');
  await waitForText(driver, 'The pattern continues across every join.');
  await waitForText(driver, 'Corner, join 1 of 3.');
  await click(driver, 'button', 'Next join');
  await waitForText(driver, 'join 2 of 3.');
  await click(driver, 'button', 'Close the edges');
  expect(await driver.findElements(By.css('[data-edges]'))).toHaveLength(0);
  await click(driver, 'button', 'Sixteen');
  for (let n = 0; n < 3; n += 1) await press(driver, Key.CONTROL, 'z');
  await laid(0);
});
