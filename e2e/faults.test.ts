import { basename } from 'node:path';
import { By, until } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OWN_HEADER } from '../contract/index.ts';
import { Space } from '../server/store/space.ts';
import { emptyFolder } from '../server/testing/emptyFolder.ts';
import { startProcess, type Running } from '../server/testing/process.ts';
import { click, type, waitForText, waitUntilSaved } from './support/hands.ts';
import { useStudio } from './support/studio.ts';
import { removeFolder } from '../server/testing/folders.ts';

const MB = 1024 * 1024;
const NAME = 'Name of the design';
let free = 1000 * MB;
const page = useStudio({
  space: (folder) => new Space(folder, { measure: () => Promise.resolve(free), holdsMs: 0 }),
});

/** Makes a design and opens it. @returns its address at the server */
async function newDesign(url: string, name: string): Promise<string> {
  const response = await fetch(`${url}/api/designs`, {
    method: 'POST',
    headers: { ...OWN_HEADER, 'Content-Type': 'application/json' },
    body: JSON.stringify({ name, repeat: { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } } }),
  });
  const { design } = (await response.json()) as { design: { id: string } };
  await page.driver.get(`${url}/designs/${design.id}`);
  await page.driver.wait(until.elementLocated(By.css('[data-saved="saved"]')));
  return `${url}/api/designs/${design.id}`;
}

const nameAt = async (address: string): Promise<string> =>
  ((await (await fetch(address)).json()) as { design: { name: string } }).design.name;

describe('a disk that fills up while a design is edited', () => {
  it('is told with what to do; edits go on, and all are saved once there is room', async () => {
    const { driver } = page;
    const address = await newDesign(page.hevrel.url, 'Before');
    page.expectComplaint(/507/);
    free = 12 * MB;
    await type(driver, NAME, 'While full');
    await waitForText(driver, 'The disk is full: 12 MB left in');
    await waitForText(driver, 'Nothing was lost; free some space and press Save again.');
    await type(driver, NAME, 'Still full');
    await click(driver, 'button', 'Save again');
    await waitForText(driver, 'The disk is full: 12 MB left in');
    expect(await nameAt(address)).toBe('Before');
    free = 1000 * MB;
    await click(driver, 'button', 'Save again');
    await waitUntilSaved(driver);
    expect(await nameAt(address)).toBe('Still full');
    expect(await driver.findElements(By.xpath('//button[normalize-space()="Save again"]'))).toEqual([]);
  });

  it('is backed up from the table, as a file, with when that was done', async () => {
    const { driver } = page;
    await page.goTo('/');
    await waitForText(driver, 'Not backed up yet');
    await click(driver, 'button', 'Back up');
    await waitForText(driver, 'Last backed up today at');
    expect(basename(await page.downloaded('.tar.gz'))).toMatch(/^hevrel-[\d-]+\.tar\.gz$/);
  });
});

describe('a drawing that was imported, opened at top level', () => {
  it('is saved as a file; nothing in it runs', async () => {
    const { driver } = page;
    const { url } = page.hevrel;
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>document.title = 'ran'; fetch('/api/designs', { method: 'POST' });</script><path d="M0 0h9v9H0z"/></svg>`;
    const response = await fetch(`${url}/api/motifs?name=active.svg`, {
      method: 'POST',
      headers: { ...OWN_HEADER, 'Content-Type': 'application/octet-stream' },
      body: svg,
    });
    const { motif } = (await response.json()) as { motif: { source: string } };
    await page.goTo('/motifs');
    await waitForText(driver, 'Active');
    const title = await driver.getTitle();
    await driver.executeScript('location.href = arguments[0];', `/api/blobs/${motif.source}`);
    await page.downloaded(motif.source);
    expect(await driver.getCurrentUrl()).toBe(`${url}/motifs`);
    expect(await driver.getTitle()).toBe(title);
  });
});

describe('a server that is killed under an open window', () => {
  const data = emptyFolder();
  let running: Running;
  const start = async (port: string): Promise<string> => {
    running = startProcess('--port', port, '--data', data, '--empty');
    return running.url;
  };
  beforeAll(async () => {
    await start('0');
  });
  afterAll(async () => {
    running.child.kill('SIGTERM');
    await running.ended;
    removeFolder(data);
  });

  it('is told; what is edited meanwhile is saved by itself once it is started again', async () => {
    const { driver } = page;
    const url = await running.url;
    const address = await newDesign(url, 'Before');
    await type(driver, NAME, 'Saved');
    await waitUntilSaved(driver);
    page.expectComplaint(/ERR_CONNECTION_REFUSED|ERR_INCOMPLETE|ERR_CONNECTION_RESET|ERR_EMPTY_RESPONSE|503/);
    running.child.kill('SIGKILL');
    await running.ended;
    await type(driver, NAME, 'While it was away');
    await waitForText(driver, 'Hevrel’s server does not answer. Your work is kept in this browser');
    await start(new URL(url).port);
    await waitUntilSaved(driver);
    expect(await nameAt(address)).toBe('While it was away');
    await driver.navigate().refresh();
    await driver.wait(until.elementLocated(By.css(`input[value="While it was away"]`)));
  });
});
