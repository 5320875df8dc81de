import { readdirSync } from 'node:fs';
import sharp from 'sharp';
import { afterEach, describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import { oldContent, oldFolder, OLD_VERSIONS } from '../testing/oldFolder.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { tileOrder } from '../../core/export/index.ts';
import { removeFolder } from '../testing/folders.ts';

let hevrel: TestStudio | undefined;
let folder: string | undefined;

afterEach(async () => {
  await hevrel?.close();
  for (const left of [folder, `${folder}-backups`]) if (left !== undefined) removeFolder(left);
});

const pixels = (png: Buffer): Promise<Buffer> => sharp(png).ensureAlpha().raw().toBuffer();

describe('a data folder of an earlier version', () => {
  it.each(OLD_VERSIONS)(
    'with documents of version %i exports its designs and swatches to the same pixels, and goes on',
    async (version) => {
      const { pictures, ids, tables, ...content } = oldContent(version);
      folder = await oldFolder({ pictures, ids, tables, ...content });
      hevrel = await openTestStudio({ folder });
      const { call, fetch, ended } = hevrel;
      for (const [kind, id] of Object.entries(ids) as ['design' | 'swatch', string][]) {
        const { width } = pictures[kind];
        const job = (await call('POST', '/exports', { [kind]: id, order: tileOrder({ kind: 'pixels', width: 100 }) }))
          .body as unknown as Job;
        expect((await ended(job)).state).toBe('done');
        const png = Buffer.from(await (await fetch(`/exports/${job.id}/file`)).arrayBuffer());
        const before = await pixels(Buffer.from(pictures[kind].png, 'base64'));
        const now = await pixels(png);
        expect(now.length, `${kind} is ${width} px wide`).toBe(before.length);
        const off = before.filter((value, n) => Math.abs(value - (now[n] as number)) > 1).length;
        expect(off, `channels of the ${kind} that differ`).toBe(0);
      }
      // What was there before the migrations is kept.
      expect(readdirSync(`${folder}-backups`)).toEqual([expect.stringMatching(/^before-\d{3}-\w+\.tar\.gz$/)]);
      const [{ document, revision }] = tables['designs'] as [{ document: { name: string }; revision: number }];
      const { name } = document;
      expect((await call('GET', '/designs')).body).toMatchObject([{ name, revision, motifs: 2 }]);
      const path = `/designs/${ids.design}`;
      const kept = (await call('GET', `${path}/alternatives`)).body as unknown as { id: string }[];
      expect(kept).toHaveLength(version > 1 ? 1 : 0);
      for (const { id } of kept)
        expect((await call('GET', `${path}/alternatives/${id}`)).body).toMatchObject({
          placements: [{ id: 'a' }, { id: 'b' }],
        });
      const motif = (tables['motifs'] as [{ id: string }])[0].id;
      expect((await call('GET', `/motifs/${motif}/uses`)).body).toMatchObject([{ id: ids.design, count: 2 }]);
      expect((await call('GET', `${path}/motifs`)).body).toMatchObject([{ id: motif }]);
      // Windows that were open go on from where they were.
      const save = { save: 'after-the-update', revision, commands: [{ type: 'name', name: 'Renamed' }] };
      expect((await call('PATCH', path, save)).body).toEqual({ revision: revision + 1 });
      expect((await call('GET', path)).body).toMatchObject({ design: { name: 'Renamed' } });
    },
  );
});
