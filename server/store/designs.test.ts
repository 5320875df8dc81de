import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { apply, type Command, MOST_GUIDES, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { Designs } from './designs.ts';

const REPEAT = { width: 100, height: 100, step: SQUARE };
let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

/** The row as it is written. */
async function written(id: string): Promise<{ revision: number; written: number; saves: number }> {
  const { rows } = await hevrel.studio.database.query<{ revision: number; written: number; saves: number }>(
    `SELECT revision, written, (SELECT count(*)::integer FROM saves WHERE design = number) AS saves FROM designs WHERE id = $1`,
    [id],
  );
  if (!rows[0]) throw new Error(`there is no design ${id}`);
  return rows[0];
}

describe('designs', () => {
  it('are the same whether they were kept at hand or are read anew, however many saves came', async () => {
    const { designs, database } = hevrel.studio;
    let design = newDesign('many', '0', REPEAT);
    await designs.insert(design);
    for (let n = 1; n <= 1250; n += 1) {
      const commands: Command[] = [
        { type: 'name', name: String(n) },
        { type: 'guides', guides: [{ id: 'g', axis: 'x', at: n % 100 }] },
      ];
      design = commands.reduce(apply, design);
      expect(await designs.save('many', { save: `save-${n}-many`, revision: n, commands })).toBe(n + 1);
    }
    expect((await designs.read('many')).design).toEqual(design);
    // As after a start: what is written, with the saves since.
    expect((await new Designs(database).read('many')).design).toEqual(design);
    const row = await written('many');
    expect(row.revision).toBe(1251);
    expect(row.revision - row.written, 'saves to be applied').toBeLessThanOrEqual(1000);
    // What nobody will ask for is let go of.
    expect(row.saves).toBeLessThanOrEqual(1000);
    expect((await designs.since('many', 1200)).saves).toHaveLength(51);
    expect((await designs.since('many', 1)).saves).toBeNull();
    expect((await designs.list()).find(({ id }) => id === 'many')).toMatchObject({ name: '1250', revision: 1251 });
  });

  it('that were changed by another store are met with 409, and what was sent before with its revision', async () => {
    const { designs, database } = hevrel.studio;
    await designs.insert(newDesign('two', '0', REPEAT));
    const other = new Designs(database);
    await other.read('two');
    const save = (name: string, revision: number) => ({
      save: `save-as-${name}`,
      revision,
      commands: [{ type: 'name' as const, name }],
    });
    expect(await designs.save('two', save('first', 1))).toBe(2);
    await expect(other.save('two', save('second', 1))).rejects.toMatchObject({ status: 409, rest: { revision: 2 } });
    expect(await other.save('two', save('first', 1))).toBe(2);
    expect(await other.save('two', save('second', 2))).toBe(3);
    expect((await new Designs(database).read('two')).design.name).toBe('second');
  });

  it('over a limit are opened, can be brought under it, and take no more', async () => {
    const guides = Array.from({ length: MOST_GUIDES + 1 }, (_, n) => ({ id: `g${n}`, axis: 'x' as const, at: n }));
    await hevrel.studio.designs.insert({ ...newDesign('over', 'Over', REPEAT), guides });
    const opened = await hevrel.call('GET', '/designs/over');
    expect(opened.status).toBe(200);
    expect((opened.body['design'] as { guides: object[] }).guides).toHaveLength(MOST_GUIDES + 1);
    const save = (name: string, revision: number, to: object[]) =>
      hevrel.call('PATCH', '/designs/over', { save: name, revision, commands: [{ type: 'guides', guides: to }] });
    const more = await save('save-more', 1, [...guides, { id: 'more', axis: 'y', at: 1 }]);
    expect(more).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/at most 200 guides/) as unknown },
    });
    expect((await save('save-less', 1, guides.slice(1))).body).toEqual({ revision: 2 });
    // One from elsewhere has to be within it.
    const document = { ...newDesign('new', 'New', REPEAT), guides };
    expect((await hevrel.call('POST', '/designs', { name: 'New', document })).status).toBe(422);
  });

  it('sent with a large body are checked in a process of their own, to the same sentences', async () => {
    const { designs, pool } = hevrel.studio;
    await designs.insert(newDesign('large', '0', REPEAT));
    const rename = { type: 'name', name: 'Kelp' };
    const send = (last: object, count: number) =>
      hevrel.call('PATCH', '/designs/large', {
        save: 'save-large',
        revision: 1,
        commands: [...Array.from({ length: count }, () => rename), last],
      });
    const small = await send({ type: 'none' }, 3);
    const before = pool.processes();
    const large = await send({ type: 'none' }, 5000);
    expect(pool.processes()).toBe(before + 1);
    expect([small.status, large.status]).toEqual([400, 400]);
    expect(String(large.body['detail']).replace('[5000]', '[3]')).toBe(small.body['detail']);
    expect((await send(rename, 5000)).body).toEqual({ revision: 2 });
  });
});
