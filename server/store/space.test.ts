import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SQUARE } from '../../core/lattice/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { isDiskFull, Space } from './space.ts';
import { tileOrder } from '../../core/export/index.ts';

const MB = 1024 * 1024;
const BOX = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v9H0z"/></svg>';
const repeat = { width: 100, height: 100, step: SQUARE };
let free = 1000 * MB;
let hevrel: TestStudio;

beforeAll(async () => {
  hevrel = await openTestStudio({
    space: (folder) => new Space(folder, { measure: () => Promise.resolve(free), holdsMs: 0 }),
  });
});
afterAll(() => hevrel.close());

describe('a disk that is about to be full', () => {
  it('refuses saves, imports and exports with a sentence; reading and deleting go on, and all of it once there is room', async () => {
    const made = await hevrel.call('POST', '/designs', { name: 'Kept', repeat });
    const { id } = made.body['design'] as { id: string };
    const save = (name: string) => ({ save: `save-${name}`, revision: 1, commands: [{ type: 'name', name }] });
    free = 12 * MB;
    const refused = await hevrel.call('PATCH', `/designs/${id}`, save('Renamed'));
    expect(refused.status).toBe(507);
    expect(refused.body['detail']).toMatch(
      /^The disk is full: 12 MB left in \/.*\. Nothing was lost; free some space and press Save again\.$/,
    );
    expect((await hevrel.send('box.svg', BOX)).status).toBe(507);
    expect(
      (await hevrel.call('POST', '/exports', { design: id, order: tileOrder({ kind: 'pixels', width: 100 }) })).status,
    ).toBe(507);
    expect((await hevrel.call('POST', '/designs', { name: 'More', repeat })).status).toBe(507);
    expect((await hevrel.call('GET', `/designs/${id}`)).body).toMatchObject({ design: { name: 'Kept' }, revision: 1 });
    expect((await hevrel.call('DELETE', `/designs/${id}`)).status).toBe(204);
    expect((await hevrel.call('POST', `/designs/${id}/restore`)).status).toBe(204);
    free = 1000 * MB;
    expect((await hevrel.call('PATCH', `/designs/${id}`, save('Renamed'))).body).toEqual({ revision: 2 });
    expect((await hevrel.send('box.svg', BOX)).status).toBe(201);
  });

  it('refuses an export that is larger than what is left, and says how much it needs', async () => {
    const { id } = (await hevrel.call('POST', '/designs', { name: 'Large', repeat })).body['design'] as { id: string };
    free = 70 * MB;
    const refused = await hevrel.call('POST', '/exports', {
      design: id,
      order: tileOrder({ kind: 'pixels', width: 4096 }),
    });
    expect(refused.status).toBe(507);
    expect(refused.body['detail']).toMatch(/too little room for this: 70 MB left in .*, and 64 MB are needed besides/);
    free = 1000 * MB;
    expect(
      (await hevrel.call('POST', '/exports', { design: id, order: tileOrder({ kind: 'pixels', width: 4096 }) })).status,
    ).toBe(202);
  });

  it('is known from the errors of files, also where an engine says it in words', () => {
    expect(isDiskFull(Object.assign(new Error('write'), { code: 'ENOSPC' }))).toBe(true);
    expect(isDiskFull(Object.assign(new Error('write'), { code: 'EDQUOT' }))).toBe(true);
    expect(isDiskFull(new Error('wbuffer_write: write failed\nunix error: No space left on device'))).toBe(true);
    expect(isDiskFull(Object.assign(new Error('no such file'), { code: 'ENOENT' }))).toBe(false);
    expect(isDiskFull(undefined)).toBe(false);
  });
});
