import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Font, ImportReport } from '../../contract/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { tideFont } from '../testing/tideFont.ts';

let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

const words = (family: string, text = 'oo'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100"><text x="10" y="60" font-size="30" font-family="${family}">${text}</text></svg>`;
const bring = async (name: string, svg: string): Promise<ImportReport> =>
  (await hevrel.send(name, svg)).body as unknown as ImportReport;
async function sendFont(name: string, content: Buffer): Promise<{ status: number; body: Font & { detail: string } }> {
  const response = await hevrel.fetch(`/fonts?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(content),
  });
  return { status: response.status, body: (await response.json()) as Font & { detail: string } };
}
const fonts = async (): Promise<readonly Font[]> => (await hevrel.call('GET', '/fonts')).body as never;

describe('a font that is not there', () => {
  it('is named with what stands in for it, and set anew once it is added', async () => {
    const before = await bring('oo.svg', words('Tide Square'));
    expect(before.fonts).toEqual([{ asked: 'Tide Square', standIn: 'Hanken Grotesk' }]);

    const added = await sendFont('tide.otf', tideFont());
    expect(added).toMatchObject({ status: 201, body: { family: 'Tide Square', style: 'Regular' } });
    const again = (await hevrel.call('POST', `/motifs/${before.motif.id}/reread`)).body as unknown as ImportReport;
    expect(again.fonts).toEqual([]);
    // Two letters of 30 mm each.
    expect(again.motif.width).toBeCloseTo(60, 3);
    expect(again.motif.view.height).toBeCloseTo(30, 3);
    expect(again.motif).toMatchObject({ id: before.motif.id, name: before.motif.name });
  });

  it('is one of a family and style, and comes back when restored', async () => {
    const first = await sendFont('a.otf', tideFont('Ebb'));
    const second = await sendFont('b.otf', tideFont('EBB'));
    const ebb = async (): Promise<string[]> =>
      (await fonts()).filter(({ family }) => /ebb/i.test(family)).map(({ id }) => id);
    expect(await ebb()).toEqual([second.body.id]);
    expect((await hevrel.call('DELETE', `/fonts/${second.body.id}`)).status).toBe(204);
    expect(await ebb()).toEqual([]);
    for (const { body } of [second, first])
      expect((await hevrel.call('POST', `/fonts/${body.id}/restore`)).status).toBe(204);
    expect(await ebb()).toEqual([first.body.id]);
    expect((await hevrel.call('DELETE', '/fonts/none')).status).toBe(404);
  });

  it.each([
    ['words.txt', Buffer.from('no font'), 415, /not a TTF, OTF or WOFF2 font/],
    ['cut.otf', tideFont().subarray(0, 60), 422, /damaged, or no font/],
    ['cut.woff2', Buffer.from('wOF2 and nothing else'), 422, /damaged, or no font/],
    ['empty.ttf', Buffer.alloc(0), 422, /empty/],
  ])('is not added from %s', async (name, content, status, sentence) => {
    const before = await fonts();
    const { status: given, body } = await sendFont(name, content);
    expect([given, body.detail]).toEqual([status, expect.stringMatching(sentence)]);
    expect(await fonts()).toEqual(before);
  });

  it('is not missed where the words have others of ours, or none', async () => {
    expect((await bring('a.svg', words('Caveat, cursive'))).fonts).toEqual([]);
    expect((await bring('b.svg', words('sans-serif', 'abc'))).fonts).toEqual([]);
  });

  it('is each one of ours by its name', async () => {
    const widths = new Set<number>();
    for (const family of ['Hanken Grotesk', 'Young Serif', 'Caveat']) {
      const { motif, fonts: missing } = await bring(`${family}.svg`, words(family, 'Low tide'));
      expect(missing).toEqual([]);
      widths.add(Math.round(motif.width));
    }
    expect(widths.size).toBe(3);
  });

  it('cannot be set anew in a motif that is no drawing', async () => {
    const { motif } = await bring('c.svg', words('serif', 'c'));
    await hevrel.call('PUT', `/motifs/${motif.id}/recipe`, {
      recipe: { kind: 'merged', original: motif.artwork, within: 5 },
    });
    const { status, body } = await hevrel.call('POST', `/motifs/${motif.id}/reread`);
    expect([status, body['detail']]).toEqual([422, expect.stringMatching(/was not imported from a drawing/)]);
  });
});
