import { By, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { StoredMotif } from '../contract/index.ts';
import { PATIENCE } from './support/browser.ts';
import { click, drag, middleOf, named, pickMotif, type, waitForText } from './support/hands.ts';
import { useStudio } from './support/studio.ts';

const page = useStudio({ samples: true });

const stored = async (id: string): Promise<StoredMotif> =>
  (await (await fetch(`${page.hevrel.url}/api/motifs/${id}`)).json()) as StoredMotif;
const count = async (): Promise<number> =>
  Number(await page.driver.findElement(By.css('[data-array]')).getAttribute('data-array'));

describe('an array', () => {
  it('is laid round a centre, along a line that is dragged and in a frame with corners, and changed later', async () => {
    const { driver } = page;
    await page.goTo('/motifs');
    await (await driver.wait(until.elementLocated(By.css('[data-drawer-motif="low-tide-limpet"]')), PATIENCE)).click();
    await click(driver, 'link', 'Lay it as an array');
    await driver.wait(until.elementLocated(By.css('[data-array]')), PATIENCE);
    expect(await count()).toBe(8);
    await type(driver, 'How many', '11');
    expect(await count()).toBe(11);
    await type(driver, 'Scale step', '4');
    await type(driver, 'Name', 'Limpet ring', false);
    await click(driver, 'button', 'Create motif');
    await driver.wait(until.urlMatches(/\/arrays\/(?!new)/), PATIENCE);
    const id = new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1) ?? '';
    const ring = await stored(id);
    expect(ring).toMatchObject({
      collection: 'Low Tide',
      recipe: { kind: 'array', motif: 'low-tide-limpet', growth: 0.04 },
    });

    await click(driver, 'radio', 'Along a line');
    await driver.wait(until.elementLocated(By.css('[data-array-point="1"]')), PATIENCE);
    const point = await middleOf(driver, '[data-array-point="1"]');
    await drag(driver, point, { x: point.x + 30, y: point.y - 40 });
    expect(await driver.findElements(By.css('[data-array-line]'))).toHaveLength(1);
    await page.tick('Flip alternate copies');
    await click(driver, 'button', 'Update motif');
    await waitForText(driver, 'is changed wherever it is used.');
    const line = (await stored(id)).recipe;
    if (line?.kind !== 'array' || line.layout.kind !== 'line') throw new Error('it is no line');
    expect(line.layout.points[1]?.y).toBeLessThan(-20);
    expect(line.alternating).toBe(true);

    await click(driver, 'radio', 'Frame');
    await pickMotif(driver, 'Corner motif', 'Starfish');
    await type(driver, 'On the upper and lower side', '5');
    expect(await count()).toBe(4 + 10 + 4);
    await click(driver, 'button', 'Update motif');
    await driver.wait(async () => {
      const { recipe } = await stored(id);
      return recipe?.kind === 'array' && recipe.layout.kind === 'frame';
    }, PATIENCE);
    expect((await stored(id)).recipe).toMatchObject({ layout: { corner: 'low-tide-starfish', across: 5 } });

    // From the drawer it is gone on with.
    await page.goTo('/motifs');
    await (await driver.wait(until.elementLocated(By.css(`[data-drawer-motif="${id}"]`)), PATIENCE)).click();
    await click(driver, 'link', 'Change the array');
    await driver.wait(until.elementLocated(By.css('[data-array="18"]')), PATIENCE);
    expect(await (await named(driver, 'field', 'On the upper and lower side')).getAttribute('value')).toBe('5');
  });
});
