import type { Job, Scan, StoredDesign, StoredMotif } from '../../contract/index.ts';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type CleanSteps, NO_STEPS } from '../../core/recipe/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { readArtwork } from '../store/keptArtwork.ts';

let studio: TestStudio;
beforeAll(async () => {
  studio = await openTestStudio();
});
afterAll(() => studio.close());

const start = async (path: string, body: unknown): Promise<Job> =>
  (await studio.call('POST', path, body)).body as unknown as Job;
const ended = async (path: string, body: unknown): Promise<Job> => studio.ended(await start(path, body));
const motif = async (id: string): Promise<StoredMotif> =>
  (await studio.call('GET', `/motifs/${id}`)).body as unknown as StoredMotif;
const put = async (name: string, content: Buffer): Promise<{ status: number; body: Record<string, unknown> }> => {
  const answer = await studio.fetch(`/scans?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    body: new Uint8Array(content),
  });
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
};

/** A white sheet of 300 dpi with black squares at the given pixels. */
async function sheetOf(...squares: readonly { left: number; top: number; side: number }[]): Promise<Scan> {
  const layers = squares.map(({ left, top, side }) => ({
    input: { create: { width: side, height: side, channels: 3 as const, background: '#102030' } },
    left,
    top,
  }));
  const png = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#ffffff' } })
    .composite(layers)
    .withMetadata({ density: 300 })
    .png()
    .toBuffer();
  const { status, body } = await put('squares.png', png);
  expect(status).toBe(201);
  return body as unknown as Scan;
}

const CLEAN: CleanSteps = {
  ...NO_STEPS,
  paper: { reach: 'outside', colour: null, tolerance: 30, soft: 0 },
  specks: 0.05,
  trim: true,
};
const CUT: CleanSteps = { ...CLEAN, cut: { gap: 2, joins: [], splits: [], without: [] } };

describe('the scanner', () => {
  it('jams on a creased sheet, says so, and reads it once the jam is cleared', async () => {
    const jammed = await ended('/scanner/scan', { original: 'brush-marks', dpi: 300 });
    expect(jammed).toMatchObject({
      state: 'failed',
      message: expect.stringMatching(/creased and jammed.*Nothing was scanned; clear the jam/) as string,
    });
    expect((await studio.call('GET', '/scanner')).body).toMatchObject({ jammed: true });
    expect((await studio.call('POST', '/scanner/scan', { original: 'ink-studies', dpi: 300 })).status).toBe(409);
    expect((await studio.call('POST', '/scanner/clear')).body).toMatchObject({ jammed: false });
    const read = await ended('/scanner/scan', { original: 'brush-marks', dpi: 300 });
    const sheet = (await studio.call('GET', `/scans/${(read.result as { scan: string }).scan}`))
      .body as unknown as Scan;
    // A4 at 300 dpi.
    expect([sheet.width, sheet.height, sheet.dpi]).toEqual([2480, 3507, 300]);
  });

  it('reads the same sheet alike each time, and can be stopped', async () => {
    const one = await ended('/scanner/scan', { original: 'ink-studies', dpi: 300 });
    const two = await ended('/scanner/scan', { original: 'ink-studies', dpi: 300 });
    const picture = async (job: Job): Promise<string> =>
      ((await studio.call('GET', `/scans/${(job.result as { scan: string }).scan}`)).body as unknown as Scan).picture;
    expect(await picture(one)).toBe(await picture(two));
    const before = ((await studio.call('GET', '/scans')).body as unknown as unknown[]).length;
    const job = await start('/scanner/scan', { original: 'lino-proofs', dpi: 600 });
    expect((await studio.call('DELETE', `/jobs/${job.id}`)).body).toMatchObject({ state: 'stopped' });
    expect((await studio.call('GET', '/scans')).body).toHaveLength(before);
  });

  it('refuses what it has not and cannot', async () => {
    expect((await studio.call('POST', '/scanner/scan', { original: 'nothing', dpi: 300 })).status).toBe(404);
    expect((await studio.call('POST', '/scanner/scan', { original: 'ink-studies', dpi: 1234 })).status).toBe(400);
  });

  it('delivers sheets that clean and cut into their drawings', async () => {
    const sheets = (await studio.call('GET', '/scans')).body as unknown as Scan[];
    const ink = sheets.find(({ name }) => name.startsWith('Ink')) as Scan;
    const steps: CleanSteps = {
      ...CUT,
      straighten: -1.7,
      evenLight: true,
      specks: 0.5,
      paper: { reach: 'outside', colour: null, tolerance: 40, soft: 0.15 },
      cut: {
        gap: 4,
        joins: [],
        splits: [],
        without: [
          { x: 60, y: 17 },
          { x: 105, y: 281 },
        ],
      },
    };
    const job = await ended(`/scans/${ink.id}/motifs`, { name: 'Study', collection: 'Scans', steps });
    const { motifs } = job.result as { motifs: string[] };
    expect(motifs).toHaveLength(6);
    const limpet = await motif(motifs[0] as string);
    expect(limpet).toMatchObject({ name: 'Study 1', collection: 'Scans', source: ink.picture });
    // Drawn 54 mm across, its line 1 mm and more.
    expect(limpet.width).toBeGreaterThan(53);
    expect(limpet.width).toBeLessThan(59);
  });
});

describe('cleaning', () => {
  it('gives the exact pixels at their real size', async () => {
    const sheet = await sheetOf({ left: 60, top: 40, side: 118 });
    const { result } = await ended(`/scans/${sheet.id}/motifs`, { name: 'One', collection: 'Scans', steps: CLEAN });
    const made = await motif((result as { motifs: string[] }).motifs[0] as string);
    expect(made.view).toEqual({ x: 0, y: 0, width: 118, height: 118 });
    expect(made.width).toBeCloseTo((118 * 25.4) / 300, 9);
    const artwork = await readArtwork(studio.studio.blobs, made.artwork);
    const [node] = artwork.nodes;
    if (node?.kind !== 'picture') throw new Error('a picture was expected');
    const { data } = await sharp(await studio.studio.blobs.read(node.blob))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(new Set(Array.from({ length: 118 * 118 }, (_, n) => data.readUInt32BE(n * 4)))).toEqual(
      new Set([0x102030ff]),
    );
  });

  it('lays what it cuts out as it lies on the page', async () => {
    const squares = [
      { left: 20, top: 20, side: 60 },
      { left: 200, top: 30, side: 80 },
      { left: 121, top: 180, side: 71 },
    ];
    const sheet = await sheetOf(...squares);
    const steps = { ...CUT, trim: false };
    const { result } = await ended(`/scans/${sheet.id}/motifs`, {
      name: 'Page',
      collection: 'Scans',
      steps,
      layOut: true,
    });
    const { motifs, design: id } = result as { motifs: string[]; design: string };
    const { design } = (await studio.call('GET', `/designs/${id}`)).body as unknown as StoredDesign;
    const mm = (pixels: number): number => (pixels * 25.4) / 300;
    expect(design.repeat.width).toBeCloseTo(mm(sheet.width), 9);
    expect(design.repeat.height).toBeCloseTo(mm(sheet.height), 9);
    expect(design.placements.map(({ motif }) => motif)).toEqual(motifs);
    const middles = (list: readonly { readonly x: number; readonly y: number }[]): string[] =>
      list.map(({ x, y }) => `${x.toFixed(6)} ${y.toFixed(6)}`).sort();
    expect(middles(design.placements)).toEqual(
      middles(squares.map(({ left, top, side }) => ({ x: mm(left + side / 2), y: mm(top + side / 2) }))),
    );
    expect(design.placements.every(({ scale, rotation }) => scale === 1 && rotation === 0)).toBe(true);
  });

  it('cuts into motifs, each with a recipe that leads to it alone and can be changed', async () => {
    const sheet = await sheetOf(
      { left: 20, top: 20, side: 60 },
      { left: 200, top: 30, side: 80 },
      { left: 30, top: 200, side: 2 },
      { left: 120, top: 180, side: 70 },
    );
    const { result } = await ended(`/scans/${sheet.id}/motifs`, { name: 'Square', collection: 'Scans', steps: CUT });
    const { motifs } = result as { motifs: string[] };
    const made = await Promise.all(motifs.map(motif));
    // The speck is gone; by rows, left to right.
    expect(made.map(({ view }) => view.width)).toEqual([60, 80, 70]);
    const second = made[1] as StoredMotif;
    const changed = await ended(`/scans/${sheet.id}/motifs`, {
      name: 'Square',
      collection: 'Scans',
      replace: second.id,
      steps: { ...CUT, trace: { inks: 1, smoothness: 0, detail: 1 } },
    });
    expect(changed.state).toBe('done');
    const traced = await motif(second.id);
    expect(traced.inks).toEqual(['#102030']);
    expect(traced.width).toBeCloseTo(second.width, 6);
    expect((await studio.call('GET', `/scans/${sheet.id}`)).body).toMatchObject({ steps: { trace: { inks: 1 } } });
  });

  it('that leaves nothing says so and makes nothing', async () => {
    const sheet = await sheetOf();
    const before = (await studio.call('GET', '/motifs')).body['total'];
    for (const steps of [CLEAN, CUT, { ...CLEAN, crop: { left: 500, top: 500, right: 600, bottom: 600 } }]) {
      const job = await ended(`/scans/${sheet.id}/motifs`, { name: 'None', collection: 'Scans', steps });
      expect(job).toMatchObject({ state: 'failed', message: expect.stringMatching(/Nothing was changed/) as string });
    }
    expect((await studio.call('GET', '/motifs')).body['total']).toBe(before);
  });

  it('goes back from a motif to its sheet, with the steps that made it', async () => {
    const sheet = await sheetOf({ left: 60, top: 40, side: 50 });
    const { result } = await ended(`/scans/${sheet.id}/motifs`, { name: 'Back', collection: 'Scans', steps: CLEAN });
    await studio.call('PATCH', `/scans/${sheet.id}`, { steps: NO_STEPS });
    const back = (await studio.call('POST', `/scans/of-motif/${(result as { motifs: string[] }).motifs[0] ?? ''}`))
      .body as unknown as Scan;
    expect(back.id).toBe(sheet.id);
    expect(back.steps).toEqual(CLEAN);
    const vector = (
      await studio.send(
        'v.svg',
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><rect width="4" height="4"/></svg>',
      )
    ).body['motif'] as StoredMotif;
    expect((await studio.call('POST', `/scans/of-motif/${vector.id}`)).body['detail']).toMatch(/drawn in vectors/);
  });
});

describe('the shelf', () => {
  it('takes pictures only, knows them by their content, and gives them back', async () => {
    const scan = await sheetOf({ left: 1, top: 1, side: 9 });
    expect((await sheetOf({ left: 1, top: 1, side: 9 })).id).toBe(scan.id);
    expect((await put('notes.txt', Buffer.from('a few words'))).status).toBe(415);
    expect((await put('a.svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).status).toBe(422);
    expect((await put('empty.png', Buffer.alloc(0))).status).toBe(422);
    await studio.call('DELETE', `/scans/${scan.id}`);
    const listed = (): Promise<unknown[]> =>
      studio.call('GET', '/scans').then(({ body }) => (body as unknown as Scan[]).filter(({ id }) => id === scan.id));
    expect(await listed()).toHaveLength(0);
    await studio.call('POST', `/scans/${scan.id}/restore`);
    expect(await listed()).toHaveLength(1);
  });

  it('shows its pictures small on their cards, in the same proportions and colours', async () => {
    const tall = await sharp({ create: { width: 1000, height: 2000, channels: 3, background: '#b3402e' } })
      .png()
      .toBuffer();
    const { preview } = (await put('tall.png', tall)).body as unknown as Scan;
    const answer = await studio.fetch(`/blobs/${preview}/small`);
    expect(answer.headers.get('content-type')).toBe('image/webp');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    const { data, info } = await sharp(Buffer.from(await answer.arrayBuffer()))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([240, 480]);
    for (const [c, level] of [0xb3, 0x40, 0x2e].entries()) expect(Math.abs((data[c] ?? 0) - level)).toBeLessThan(4);
    // What is no picture is not shown small.
    const text = studio.studio.blobs.keep('no picture at all', 'json');
    const refused = await studio.fetch(`/blobs/${text}/small`);
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(/not a picture that can be made small/);
    expect((await studio.fetch(`/blobs/${'0'.repeat(64)}.png/small`)).status).toBe(404);
  });

  it('answers spoilt pictures and steps with a sentence', async () => {
    const whole = await sharp({ create: { width: 40, height: 40, channels: 3, background: '#abcdef' } })
      .png()
      .toBuffer();
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 9, max: whole.length - 1 }), fc.nat(255), async (at, byte) => {
        const spoilt = Buffer.from(whole.subarray(0, at));
        spoilt[at - 1] = byte;
        const { status, body } = await put('spoilt.png', spoilt);
        expect([201, 413, 415, 422]).toContain(status);
        if (status !== 201) expect(String(body['detail'])).toMatch(/Nothing was/);
      }),
      { numRuns: 25 },
    );
    const sheet = await sheetOf({ left: 5, top: 5, side: 5 });
    for (const [steps, status] of [
      [{ ...NO_STEPS, quarters: 7 }, 400],
      [{ ...NO_STEPS, straighten: 'much' }, 400],
      [{ ...NO_STEPS, trace: { inks: 9, smoothness: 0, detail: 0 } }, 400],
      [{ ...NO_STEPS, levels: { black: 9, middle: 5, white: 200 } }, 422],
      [{ ...NO_STEPS, more: 1 }, 400],
    ] as const) {
      const answer = await studio.call('PATCH', `/scans/${sheet.id}`, { steps });
      expect(answer.status, JSON.stringify(steps)).toBe(status);
    }
    expect(studio.log.filter((line) => line.includes('Error'))).toEqual([]);
  });
});
