import { tileOrder, vectorTileOrder } from '../core/export/index.ts';
import { DEFAULT_SEPARATION } from '../core/separate/index.ts';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ISchema, Schema } from 'yup';
import { FILE, pathOf, ROUTES, type Job, type Route } from '../contract/index.ts';
import { jsonSchemaOf } from '../contract/jsonSchema.ts';
import { openApi } from '../contract/openApi.ts';
import { newDesign } from '../core/document/index.ts';
import { artworkSchema } from '../core/motif/index.ts';
import { SQUARE } from '../core/lattice/index.ts';
import { NO_STEPS } from '../core/recipe/index.ts';
import { leafAt } from '../core/testing/arbitraries.ts';
import sharp from 'sharp';
import { PrintHouse } from './printHouse/printHouse.ts';
import { tideFont } from './testing/tideFont.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

// The answers' types are the contract's, which this test is about to hold them against.
// oxlint-disable-next-line typescript/no-explicit-any
type Answer = any;

let hevrel: TestStudio;
const asked = new Set<string>();

beforeAll(async () => {
  const pace = { answer: 0, dispatch: 0 };
  hevrel = await openTestStudio({ printHouse: (folder, pool) => new PrintHouse(folder, pool, pace) });
});
afterAll(() => hevrel.close());

/** Asks a route and holds its answer against the contract. */
async function ask(
  name: string,
  { params, query, body, file }: { params?: object; query?: object; body?: unknown; file?: Buffer } = {},
): Promise<Answer> {
  const route = ROUTES[name] as Route;
  asked.add(name);
  const path = pathOf(route, params as never, query as never).replace(/^\/api/, '');
  const response = await hevrel.fetch(path, {
    method: route.method,
    ...(body !== undefined && { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    ...(file && { headers: { 'Content-Type': 'application/octet-stream' }, body: new Uint8Array(file) }),
  });
  if (route.answer === FILE) {
    expect(response.status, name).toBe(200);
    return Buffer.from(await response.arrayBuffer());
  }
  const text = await response.text();
  if (route.events) {
    for (const line of text.split('\n').filter((one) => one.startsWith('data: ')))
      fits(route.events, JSON.parse(line.slice(6)), name);
    return undefined;
  }
  if (route.answer === undefined) {
    expect([response.status, text], name).toEqual([204, '']);
    return undefined;
  }
  expect(response.status, `${name}: ${text.slice(0, 300)}`).toBe(route.status ?? 200);
  const answer: unknown = JSON.parse(text);
  fits(route.answer, answer, name);
  return answer;
}

function fits(schema: ISchema<unknown>, value: unknown, name: string): void {
  try {
    (schema as Schema).validateSync(value, { strict: true });
  } catch (error) {
    throw new Error(`${name} answered with what its contract does not allow: ${String(error)}`);
  }
}

async function result(name: string, job: Job): Promise<Answer> {
  const ended = await hevrel.ended(job);
  expect(ended.state, `${name}: ${ended.message}`).toBe('done');
  fits(ROUTES[name]?.result as ISchema<unknown>, ended.result, name);
  return ended.result;
}

const DRAWING = Buffer.from(
  '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="10mm" viewBox="0 0 20 10"><rect width="20" height="10" fill="#b3402e"/></svg>',
);
const RECIPE = {
  kind: 'shape',
  pieces: [
    {
      figure: 'dot',
      values: {},
      text: '',
      font: 'bench',
      x: 0,
      y: 0,
      rotation: 0,
      combine: 'lay',
      fill: { ink: '#b3402e', fade: null },
      outline: null,
    },
  ],
};

describe('the contract', () => {
  it('is what every route keeps to', { timeout: 120_000 }, async () => {
    const { motif } = await ask('importMotif', { query: { name: 'leaf.svg', collection: 'Shore' }, file: DRAWING });
    await ask('listMotifs', { query: { words: 'leaf', order: 'size' } });
    await ask('listCollections');
    await ask('readMotif', { params: { id: motif.id } });
    await ask('changeMotif', { params: { id: motif.id }, body: { name: 'Leaf', tags: ['hero'] } });
    await ask('replaceArtwork', { params: { id: motif.id }, query: { name: 'leaf.svg' }, file: DRAWING });
    await ask('rereadMotif', { params: { id: motif.id } });
    const font = await ask('importFont', { query: { name: 'tide.otf' }, file: tideFont() });
    await ask('listFonts');
    await ask('deleteFont', { params: { id: font.id } });
    await ask('restoreFont', { params: { id: font.id } });
    const made = await ask('makeMotif', { body: { name: 'Dot', collection: 'Built', recipe: RECIPE } });
    await ask('remakeMotif', { params: { id: made.id }, body: { recipe: RECIPE } });
    const copy = await ask('duplicateMotif', { params: { id: motif.id }, body: {} });
    await ask('deleteMotif', { params: { id: copy.id } });
    await ask('restoreMotif', { params: { id: copy.id } });
    await ask('readBlob', { params: { address: motif.artwork } });
    await ask('readSmallPicture', { params: { address: motif.thumbnail } });
    const zip = await ask('readCollectionFile', { query: { name: 'Shore' } });
    await ask('importCollection', { file: zip });

    const document = {
      ...newDesign('x', 'Kelp', { width: 60, height: 40, step: SQUARE }),
      placements: [leafAt('a', { motif: motif.id, x: 5, y: 5 })],
    };
    const { design } = await ask('createDesign', { body: { name: 'Kelp', document } });
    const params = { id: design.id };
    await ask('listDesigns');
    await ask('readDesign', { params });
    await ask('listDesignMotifs', { params });
    await ask('listMotifUses', { params: { id: motif.id } });
    const commands = [{ type: 'change', changes: { a: { x: 7 } } }];
    const { revision } = await ask('saveDesign', { params, body: { save: 'save-one', revision: 1, commands } });
    await ask('readSince', { params: { ...params, revision: 1 }, query: { window: 'w' } });
    await ask('leaveDesign', { params: { ...params, window: 'w' } });
    expect(await ask('readDesignPicture', { params })).toHaveProperty('length');
    const kept = await ask('keepAlternative', { params, body: { name: 'First' } });
    await ask('listAlternatives', { params });
    const alternative = { ...params, alternative: kept.id };
    await ask('readAlternative', { params: alternative });
    await ask('renameAlternative', { params: alternative, body: { name: 'Best' } });
    await ask('deleteAlternative', { params: alternative });

    const saving = await ask('saveSwatch', { body: { design: design.id, revision, name: 'Kelp' } });
    await ask('readJob', { params: { id: saving.id } });
    await ask('followJob', { params: { id: saving.id } });
    const { swatch } = await result('saveSwatch', saving);
    await ask('listProducts');
    await ask('readProduct', { params: { id: 'mug' } });
    expect(await ask('readProductPicture', { params: { id: 'mug' } })).toHaveProperty('length');
    const { state } = await ask('readPattern', { query: { swatch } });
    await ask('readPattern', { query: { swatch, known: state } });
    const source = { design: design.id };
    const tryOn = { version: 1, name: 'Kelp mug', product: 'mug', source, scale: 1, rotation: 0, pieces: [] };
    const dressed = await ask('createTryOn', { body: { tryOn } });
    const worn = { id: dressed.id };
    await ask('listTryOns');
    await ask('readTryOn', { params: worn });
    await ask('saveTryOn', { params: worn, body: { revision: 1, tryOn } });
    expect(await ask('readTryOnPicture', { params: worn })).toHaveProperty('length');
    await result(
      'exportTryOns',
      await ask('exportTryOns', { body: { tryOns: [dressed.id], format: 'png', side: 64 } }),
    );
    const own = await ask('importProduct', { query: { name: 'leaf.svg' }, file: DRAWING });
    await ask('changeProduct', { params: { id: own.id }, body: { name: 'Big leaf', by: 2 } });
    await ask('makeProductOfMotif', { body: { motif: motif.id } });
    const grey = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#888888' } })
      .png()
      .toBuffer();
    const photo = await ask('importProduct', { query: { name: 'shop.png' }, file: grey });
    const { marked } = await ask('readPhotograph', { params: { id: photo.id } });
    await ask('markPhotograph', { params: { id: photo.id }, body: marked });
    await ask('deleteProduct', { params: { id: photo.id } });
    await ask('restoreProduct', { params: { id: photo.id } });
    await ask('deleteTryOn', { params: worn });
    await ask('restoreTryOn', { params: worn });
    await ask('listSwatches');
    await ask('readSwatch', { params: { id: swatch } });
    await ask('changeSwatch', { params: { id: swatch }, body: { name: 'Wrack', tags: ['sea'] } });
    await ask('listVersions', { params: { id: swatch } });
    await ask('restoreVersion', { params: { id: swatch, number: 1 } });
    await ask('compareVersions', { params: { id: swatch }, body: { from: 1, to: 2 } });
    await ask('openSwatch', { params: { id: swatch } });
    await ask('deleteSwatch', { params: { id: swatch } });
    await ask('listBin');
    await ask('restoreSwatch', { params: { id: swatch } });
    const exporting = await ask('startExport', {
      body: { design: design.id, order: tileOrder({ kind: 'density', dpi: 72 }) },
    });
    await result('startExport', exporting);
    await ask('readExport', { params: { id: exporting.id } });
    await ask('stopJob', { params: { id: exporting.id } });
    const batch = await ask('startBatch', {
      body: {
        sources: [{ design: design.id }, { swatch, version: 1 }],
        orders: [tileOrder({ kind: 'density', dpi: 30 }), vectorTileOrder('pdf'), vectorTileOrder('svg')],
        template: '{name} {contents}',
      },
    });
    const { files } = await result('startBatch', batch);
    expect(files.map(({ fileName }: { fileName: string }) => fileName)).toEqual(
      ['Kelp', 'Wrack'].flatMap((name) => ['png', 'pdf', 'svg'].map((ending) => `${name} tile.${ending}`)),
    );
    const packing = await ask('startPack', { body: { swatches: [swatch], designs: [design.id] } });
    await result('startPack', packing);
    const pack = (await ask('readExport', { params: { id: packing.id } })) as Buffer;
    expect(await ask('importPack', { file: pack })).toMatchObject({ designs: [design.id], swatches: [swatch] });
    const sheet = { swatches: [swatch], scales: [1, 0.5], paper: 'a4', columns: 2, format: 'png' };
    await result('startSheet', await ask('startSheet', { body: sheet }));
    const plates = { design: design.id, order: { ...DEFAULT_SEPARATION, dpi: 72, format: 'pdf' } };
    await result('startPlates', await ask('startPlates', { body: plates }));
    const preset = { name: 'For the web', orders: [vectorTileOrder('css')], template: '{name}' };
    const { id: presetId } = await ask('savePreset', { body: preset });
    await ask('listPresets');
    await ask('deletePreset', { params: { id: presetId } });
    const inks = [{ name: 'Woad', colour: '#4c6f8e' }];
    const { id: shelfId } = await ask('saveShelf', { body: { name: 'Dyes', inks } });
    expect((await ask('saveShelf', { body: { name: 'Dyes', inks: [...inks, ...inks] } })).id).toBe(shelfId);
    expect(await ask('listShelves')).toEqual([{ id: shelfId, name: 'Dyes', inks: [...inks, ...inks] }]);
    await ask('deleteShelf', { params: { id: shelfId } });
    const wish = { cloth: 'drill', metres: 1, format: 'png', dpi: 150 };
    await ask('readPrintHouse');
    await ask('tellPrintHouse', { body: { behaviour: 'normal' } });
    const ordered = { swatch: sheet.swatches[0], ...wish };
    const { id: printId } = await ask('orderPrint', { body: ordered });
    const stateOf = async (id: string): Promise<string> =>
      (await ask('listPrintOrders')).orders.find((order: { id: string }) => order.id === id).state;
    while ((await stateOf(printId)) !== 'answered') await new Promise((resolve) => setTimeout(resolve, 50));
    await ask('approvePrint', { params: { id: printId } });
    const { id: cancelled } = await ask('orderPrint', { body: ordered });
    await ask('cancelPrint', { params: { id: cancelled } });
    await hevrel.studio.database.query("UPDATE print_orders SET state = 'interrupted' WHERE id = $1", [cancelled]);
    await ask('resumePrint', { params: { id: cancelled } });
    await ask('deleteDesign', { params });
    await ask('restoreDesign', { params });

    const blot = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#ffffff' } })
      .composite([{ input: { create: { width: 20, height: 10, channels: 3, background: '#102030' } } }])
      .png()
      .toBuffer();
    const scan = await ask('importScan', { query: { name: 'blot.png' }, file: blot });
    await ask('listScans');
    await ask('readScan', { params: { id: scan.id } });
    await ask('changeScan', { params: { id: scan.id }, body: { dpi: 100 } });
    const cleaning = await ask('cleanScan', {
      params: { id: scan.id },
      body: { name: 'Blot', collection: 'Scans', steps: NO_STEPS },
    });
    const { motifs } = await result('cleanScan', cleaning);
    await ask('scanOfMotif', { params: { id: motifs[0] } });
    await ask('checkSeams', {
      params: { id: scan.id },
      body: { frame: { x: 30, y: 20, width: 60, height: 40, rotation: 0 } },
    });
    const tiling = await ask('makeTile', {
      params: { id: scan.id },
      body: {
        name: 'Blot',
        collection: 'Pictures',
        frame: { x: 30, y: 20, width: 40, height: 30, rotation: 0 },
        width: 100,
        way: { kind: 'halves', step: { kind: 'square', drop: { p: 0, q: 1 } } },
      },
    });
    await result('makeTile', tiling);
    await ask('deleteScan', { params: { id: scan.id } });
    await ask('restoreScan', { params: { id: scan.id } });
    const { originals } = await ask('readScanner');
    const scanning = await ask('startScan', { body: { original: originals[0].id, dpi: 300 } });
    await ask('stopJob', { params: { id: scanning.id } });
    await ask('clearJam');
    const backup = await ask('startBackup');
    await result('startBackup', backup);
    await ask('readBackup', { params: { id: backup.id } });
    await ask('listBackups');
    await result('startCheck', await ask('startCheck'));

    expect(Object.keys(ROUTES).filter((name) => !asked.has(name))).toEqual([]);
  });

  it('answers with a problem of the contract where a route is asked amiss', async () => {
    for (const [name, route] of Object.entries(ROUTES)) {
      const params = Object.fromEntries([...route.path.matchAll(/\{(\w+)\}/g)].map(([, key]) => [key, 'not-there']));
      const response = await hevrel.fetch(pathOf(route, params).replace(/^\/api/, ''), {
        method: route.method,
        ...(route.body !== undefined &&
          route.body !== FILE && { headers: { 'Content-Type': 'application/json' }, body: '{"nonsense":1}' }),
      });
      if (response.ok) continue;
      expect(response.headers.get('content-type'), name).toMatch(/^application\/problem\+json/);
      const problem = (await response.json()) as { status: number; detail: string };
      expect([400, ...route.problems], `${name}: ${problem.detail}`).toContain(problem.status);
      expect(problem.detail.length).toBeGreaterThan(10);
    }
  });

  it('is the OpenAPI document and the JSON Schemas in docs/api', () => {
    const stored = (name: string): unknown => JSON.parse(readFileSync(`docs/api/${name}`, 'utf8'));
    expect(stored('openapi.json'), 'run npm run docs').toEqual(JSON.parse(JSON.stringify(openApi())));
    const schema = stored('design.schema.json') as object;
    const validate = new Ajv2020({ strict: false }).compile(schema);
    const design = newDesign('d', 'Kelp', { width: 60, height: 40, step: SQUARE });
    expect(validate(design), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ ...design, version: 3 })).toBe(false);
    expect(validate({ ...design, placements: [{ id: 'a' }] })).toBe(false);
    const artworks = new Ajv2020({ strict: false }).compile(stored('artwork.schema.json') as object);
    const ink = { kind: 'ink', ink: '#204060', opacity: 1 };
    const path = { kind: 'path', path: 'M 0 0 L 1 0 L 1 1 Z', rule: 'nonzero', fill: ink };
    const group = { kind: 'group', matrix: [1, 0, 0, 1, 0, 0], opacity: 0.5, children: [path] };
    const artwork = { version: 1, view: { x: 0, y: 0, width: 1, height: 1 }, nodes: [path, group] };
    for (const [given, right] of [
      [artwork, true],
      [{ ...artwork, nodes: [{ ...group, children: [group] }] }, true],
      [{ ...artwork, nodes: [{ ...group, children: [{ ...path, rule: 'wound' }] }] }, false],
      [{ ...artwork, nodes: [{ ...path, fill: { ...ink, ink: 'red' } }] }, false],
      [{ ...artwork, nodes: [{ ...group, matrix: [1, 0, 0, 1] }] }, false],
      [{ ...artwork, nodes: [{ kind: 'text' }] }, false],
    ] as const) {
      expect(artworks(given), JSON.stringify(given)).toBe(right);
      expect(artworkSchema.isValidSync(given, { strict: true }), JSON.stringify(given)).toBe(right);
    }
    expect(jsonSchemaOf(ROUTES['listDesigns']?.answer as ISchema<unknown>)).toMatchObject({ type: 'array' });
  });
});
