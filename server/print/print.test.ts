import { readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { seeded } from '../../core/random/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import type { Job, PrintOrder, PrintState } from '../../contract/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { houseFolder, PrintHouse } from '../printHouse/printHouse.ts';
import { interruptAbandonedPrints, readPrintOrder } from '../store/printOrders.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { hashFile } from '../store/hashFile.ts';

let hevrel: TestStudio;

/** A studio whose print house answers at once. */
async function open(folder = emptyFolder()): Promise<void> {
  const pace = { answer: 0, dispatch: 0 };
  hevrel = await openTestStudio({ folder, printHouse: (house, pool) => new PrintHouse(house, pool, pace) });
}

beforeAll(() => open());
afterAll(() => hevrel.close());
beforeEach(async () => {
  await behave('normal');
});

const REPEAT = { width: 60, height: 40, step: SQUARE };

/** A swatch of 60 × 40 mm: madder, and a motif on it where one is given. */
async function swatch(motif?: string): Promise<string> {
  const blank = newDesign('x', 'Madder', REPEAT);
  const document = {
    ...blank,
    colourways: [{ id: 'base', name: 'Base', colours: { ground: '#b3402e' } }],
    placements: motif === undefined ? [] : [leafAt('a', { motif, x: 30, y: 20 })],
  };
  const made = await hevrel.call('POST', '/designs', { name: 'Madder', document });
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  const { id } = made.body['design'] as Design;
  const saved = await hevrel.call('POST', '/swatches', { design: id, revision: 1, name: 'Madder' });
  const job = await hevrel.ended(saved.body as unknown as Job);
  expect(job.state, job.message ?? '').toBe('done');
  return (job.result as { swatch: string }).swatch;
}

/** One with a picture of noise on it, whose file is sent in many parts. */
async function noisySwatch(): Promise<string> {
  const random = seeded(7);
  const noise = Buffer.from(Uint8Array.from({ length: 3 * 400 * 300 }, () => 256 * random()));
  const png = await sharp(noise, { raw: { width: 400, height: 300, channels: 3 } })
    .png()
    .toBuffer();
  const { id } = (await hevrel.send('noise.png', png)).body['motif'] as { id: string };
  return swatch(id);
}

const WISH = { cloth: 'drill', metres: 2.5, format: 'tiff', dpi: 300 };

async function order(wish: object): Promise<PrintOrder> {
  const { status, body } = await hevrel.call('POST', '/print-orders', wish);
  expect(status, JSON.stringify(body)).toBe(201);
  return body as unknown as PrintOrder;
}

async function list(): Promise<{ orders: PrintOrder[]; isReachable: boolean }> {
  return (await hevrel.call('GET', '/print-orders')).body as unknown as { orders: PrintOrder[]; isReachable: boolean };
}

/** Asks for the orders, as the screen does, until one is in a state. */
async function until(id: string, state: PrintState): Promise<PrintOrder> {
  for (;;) {
    const found = (await list()).orders.find((order) => order.id === id);
    if (found?.state === state) return found;
    const isOver = ['refused', 'interrupted', 'cancelled', 'dispatched'].includes(found?.state ?? 'refused');
    if (isOver) throw new Error(`the order is ${found?.state}: ${found?.message}`);
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
}

const behave = (behaviour: string) => hevrel.call('PUT', '/print-house/behaviour', { behaviour });
const uploads = (): string => join(houseFolder(hevrel.studio.folder.path), 'uploads');
const uploaded = (): string[] => readdirSync(uploads()).filter((name) => !name.endsWith('.json'));

describe('an order', () => {
  it('comes back as a strike-off with a price, is approved, and dispatched', async () => {
    const made = await order({ swatch: await swatch(), ...WISH });
    expect(made).toMatchObject({ state: 'making', name: 'Madder', version: 1, metres: 2.5 });
    const answered = await until(made.id, 'answered');
    expect(answered).toMatchObject({ price: 1890, total: 4725, message: null });

    const picture = async (address: string | null): Promise<Sharp> =>
      sharp(Buffer.from(await (await hevrel.fetch(`/blobs/${address}`)).arrayBuffer()));
    const piece = await picture(answered.piece);
    expect(await piece.metadata()).toMatchObject({ width: 960, height: 640 });
    // Madder as it comes out on drill, with the light and shade of its threads.
    const { channels } = await piece.stats();
    for (const [n, ink] of [0xb3, 0x40, 0x2e].entries()) {
      expect(channels[n]?.mean).toBeLessThan(ink + 12);
      expect(channels[n]?.mean).toBeGreaterThan(ink * 0.7);
      expect(channels[n]?.stdev).toBeGreaterThan(1);
    }
    // The whole width of drill, 1480 mm, and a selvedge of bare cloth at each side.
    const across = await picture(answered.across);
    expect(await across.metadata()).toMatchObject({ width: 1480 + 2 * 12, height: 420 });
    const { data, info } = await across.raw().toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([0xf7, 0xf4, 0xec]);
    expect([...data.subarray(12 * info.channels, 12 * info.channels + 3)]).not.toEqual([0xf7, 0xf4, 0xec]);

    const approved = await hevrel.call('POST', `/print-orders/${made.id}/approve`);
    expect(approved.body).toMatchObject({ state: 'approved' });
    await until(made.id, 'dispatched');
    // The print house keeps no file that it does not print any more.
    expect(uploaded()).not.toContain((await readPrintOrder(hevrel.studio.database, made.id)).upload);
    expect((await hevrel.call('POST', `/print-orders/${made.id}/approve`)).status).toBe(409);
    expect((await hevrel.call('POST', `/print-orders/${made.id}/cancel`)).status).toBe(409);
  });

  it('that cannot be printed is refused before anything is made, in plain words', async () => {
    const id = await swatch();
    const before = await list();
    for (const [wish, words] of [
      [{ dpi: 96 }, /96 dpi is too coarse/],
      [{ format: 'webp' }, /takes PNG, TIFF and JPEG, not WebP/],
      [{ cloth: 'linen', metres: 3 }, /at least 60 mm/],
      [{ metres: 0.5 }, /sold from 1 metre/],
    ] as const) {
      const { status, body } = await hevrel.call('POST', '/print-orders', { swatch: id, ...WISH, ...wish });
      expect([status, body['detail']]).toEqual([422, expect.stringMatching(words)]);
    }
    expect((await hevrel.call('POST', '/print-orders', { swatch: id, ...WISH, cloth: 'silk' })).status).toBe(404);
    expect(await list()).toEqual(before);
  });

  it('is refused by the print house with its own words, and cancelled while the strike-off is awaited', async () => {
    const id = await swatch();
    await behave('refuses');
    const refused = await order({ swatch: id, ...WISH });
    await expect(until(refused.id, 'answered')).rejects.toThrow(/no room for more orders on cotton drill/);
    await behave('normal');
    const answered = await until((await order({ swatch: id, ...WISH })).id, 'answered');
    expect((await hevrel.call('POST', `/print-orders/${answered.id}/cancel`)).body).toMatchObject({
      state: 'cancelled',
    });
    expect(uploaded()).not.toContain((await readPrintOrder(hevrel.studio.database, answered.id)).upload);
  });
});

describe('a broken connection', () => {
  it('interrupts the order; resumed, the rest of the same file is sent and the whole is what was made', async () => {
    const id = await noisySwatch();
    await behave('breaks');
    const made = await order({ swatch: id, ...WISH });
    await expect(until(made.id, 'answered')).rejects.toThrow(/What was sent so far is kept there; press Resume/);
    const { upload, sha256 } = await readPrintOrder(hevrel.studio.database, made.id);
    const path = join(uploads(), upload ?? '');
    const sent = statSync(path).size;
    expect(sent).toBeGreaterThan(0);
    await behave('normal');
    const resumed = await hevrel.call('POST', `/print-orders/${made.id}/resume`);
    expect(resumed.status, JSON.stringify(resumed.body)).toBe(200);
    expect((await hevrel.call('POST', `/print-orders/${made.id}/resume`)).status).toBe(409);
    await until(made.id, 'answered');
    // No second upload was begun.
    expect((await readPrintOrder(hevrel.studio.database, made.id)).upload).toBe(upload);
    expect(statSync(path).size).toBeGreaterThan(sent);
    expect(await hashFile(path)).toBe(sha256);
  });

  it('is found out where what arrived is not what was sent', async () => {
    const id = await noisySwatch();
    await behave('breaks');
    const made = await order({ swatch: id, ...WISH });
    await expect(until(made.id, 'answered')).rejects.toThrow(/press Resume/);
    const { upload } = await readPrintOrder(hevrel.studio.database, made.id);
    const path = join(uploads(), upload ?? '');
    writeFileSync(path, Buffer.alloc(statSync(path).size));
    await behave('normal');
    await hevrel.call('POST', `/print-orders/${made.id}/resume`);
    await expect(until(made.id, 'answered')).rejects.toThrow(/damaged on the way/);
  });

  it('leaves the orders as they were last known, and says so', async () => {
    const id = await swatch();
    await behave('slow');
    const made = await order({ swatch: id, ...WISH });
    await until(made.id, 'sent');
    await behave('closed');
    const known = await list();
    expect(known.isReachable).toBe(false);
    expect(known.orders[0]).toMatchObject({ id: made.id, state: 'sent' });
    expect((await hevrel.call('GET', '/print-house')).body).toEqual({ rules: null, behaviour: 'closed' });
    const { status, body } = await hevrel.call('POST', '/print-orders', { swatch: id, ...WISH });
    expect([status, body['detail']]).toEqual([502, expect.stringMatching(/could not be reached/)]);
    expect((await hevrel.call('POST', `/print-orders/${made.id}/cancel`)).status).toBe(502);
    await behave('normal');
    await until(made.id, 'answered');
  });
});

describe('a server that ends in the middle', () => {
  it('goes on with the order at the next start; one that nothing sends any more can be resumed', async () => {
    const folder = hevrel.studio.folder.path;
    const id = await noisySwatch();
    await behave('slow');
    const made = await order({ swatch: id, ...WISH });
    await until(made.id, 'sending');
    await hevrel.studio.jobs.stopAll();
    const { state, job } = await readPrintOrder(hevrel.studio.database, made.id);
    expect(state).toBe('sending');
    await hevrel.studio.close();

    await open(folder);
    await hevrel.studio.jobs.resume();
    await interruptAbandonedPrints(hevrel.studio.database, new Date());
    await until(made.id, 'answered');
    expect((await hevrel.studio.jobs.read(job ?? '')).state).toBe('done');

    // One that no job sends any more.
    await hevrel.studio.database.query("UPDATE print_orders SET state = 'sending', job = 'gone' WHERE id = $1", [
      made.id,
    ]);
    // What this server has begun itself is not taken for abandoned, though its job is not known yet.
    await hevrel.studio.jobs.resume();
    await interruptAbandonedPrints(hevrel.studio.database, new Date(0));
    expect((await readPrintOrder(hevrel.studio.database, made.id)).state).toBe('sending');
    await hevrel.studio.jobs.resume();
    await interruptAbandonedPrints(hevrel.studio.database, new Date());
    await expect(until(made.id, 'answered')).rejects.toThrow(/Press Resume/);
  });
});

describe('the print house itself', () => {
  it('knows nobody without its key, takes an order once, and looks at what is in a file rather than what is said of it', async () => {
    const { url, key } = await hevrel.studio.printHouse.address();
    expect((await fetch(`${url}/rules`)).status).toBe(401);
    const headers = { Authorization: `Bearer ${key}`, 'Content-Type': 'application/json' };
    const ask = async (path: string, body?: object): Promise<[number, Record<string, unknown>]> => {
      const response = await fetch(url + path, {
        method: body ? 'POST' : 'GET',
        headers,
        ...(body && { body: JSON.stringify(body) }),
      });
      return [response.status, (await response.json()) as Record<string, unknown>];
    };
    const place = async (name: string, content: Buffer): Promise<Record<string, unknown>> => {
      const path = join(uploads(), name);
      writeFileSync(path, content);
      const wish = { upload: name, sha256: await hashFile(path), width: 60, height: 40, cloth: 'lawn', metres: 1 };
      const [, first] = await ask('/orders', { ...wish, reference: name });
      expect((await ask('/orders', { ...wish, reference: name }))[1]['id']).toBe(first['id']);
      return first;
    };
    const red = sharp({ create: { width: 300, height: 200, channels: 3, background: '#b3402e' } });
    expect(await place('good', await red.png().withMetadata({ density: 300 }).toBuffer())).toMatchObject({
      state: 'printing',
    });
    expect(await place('coarse', await red.png().withMetadata({ density: 72 }).toBuffer())).toMatchObject({
      state: 'refused',
      message: expect.stringContaining('72 dpi is too coarse') as string,
    });
    expect(await place('webp', await red.webp().toBuffer())).toMatchObject({
      message: expect.stringContaining('not WebP') as string,
    });
    expect(await place('words', Buffer.from('no picture'))).toMatchObject({
      message: expect.stringContaining('could not be opened') as string,
    });
    expect((await ask('/orders', { nonsense: true }))[0]).toBe(400);
    expect((await ask('/orders/not-there'))[0]).toBe(404);
    expect((await ask('/orders/..%2F..%2Fdatabase'))[0]).toBe(400);
  });
});
