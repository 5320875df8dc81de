import { readFileSync } from 'node:fs';
import { By, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import { PATIENCE } from '../support/browser.ts';
import { click, settled } from '../support/hands.ts';
import { useStudio } from '../support/studio.ts';
import { tryOnHands } from '../support/tryOnHands.ts';

const page = useStudio({ samples: true });
const { picture } = tryOnHands(page);

async function createShape(name: string): Promise<void> {
  await click(page.driver, 'button', 'Create shape');
  await page.driver.wait(
    until.elementLocated(By.xpath(`//aside//span[.='${name}']`)),
    PATIENCE,
    `${name} is not there`,
  );
  await picture();
}

it('a pattern is laid on a screen, and goes out with its pixels', async () => {
  const { driver } = page;
  await page.goTo('/');
  await click(driver, 'link', 'Limpets and rope');
  await page.find('[data-cell]');
  await settled(driver);
  await click(driver, 'link', 'Try-on');
  await picture();
  await click(driver, 'button', 'Change product');
  const size = await page.find('section[aria-label="Plain shape"] select');
  await size.findElement(By.xpath("option[.='1280 × 720 px']")).click();
  await createShape('1280 × 720 px');
  await click(driver, 'button', 'Export');
  await driver.findElement(By.xpath("//div[@role='dialog']//button[.='Export']")).click();
  const banner = await sharp(readFileSync(await page.downloaded('.png')))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([banner.info.width, banner.info.height]).toEqual([1280, 720]);
  // Nothing but cloth, up to its corners.
  const backdrop = [0xeb, 0xe6, 0xda].join();
  const corner = (x: number, y: number): string =>
    [...banner.data.subarray((y * 1280 + x) * banner.info.channels, (y * 1280 + x) * banner.info.channels + 3)].join();
  for (const [x, y] of [
    [0, 0],
    [1279, 0],
    [0, 719],
    [1279, 719],
  ] as const)
    expect(corner(x, y)).not.toBe(backdrop);
});
