import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { isZip, MOST_UNPACKED_FILES, unpackZip } from './files.ts';

const svg = strToU8('<svg xmlns="http://www.w3.org/2000/svg"/>');

/** The ZIP with its directory saying that every file in it unfolds into so many bytes. */
function claiming(zip: Uint8Array, bytes: number): Uint8Array {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  for (let at = 0; at + 28 < zip.length; at += 1)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, bytes, true);
  return zip;
}

describe('a ZIP of drawings', () => {
  it('gives its drawings under their own names, wherever in it they lie, and nothing else', async () => {
    const zip = zipSync({
      'clip art/shells/whelk.svg': svg,
      'crab.PNG': svg,
      '__MACOSX/crab.PNG': svg,
      '.hidden.svg': svg,
      'read me.txt': svg,
      '../../etc/sneaky.svg': svg,
    });
    const { files, problem } = await unpackZip('art.zip', zip);
    expect(files.map(({ name }) => name).sort()).toEqual(['crab.PNG', 'sneaky.svg', 'whelk.svg']);
    expect(problem).toBeUndefined();
    expect(new Uint8Array(await (files[0] as File).arrayBuffer())).toEqual(svg);
  });

  it('is refused whole where it would unfold beyond all bounds', async () => {
    const many = zipSync(
      Object.fromEntries(Array.from({ length: MOST_UNPACKED_FILES + 1 }, (_, i) => [`${i}.svg`, svg])),
      { level: 0 },
    );
    expect(await unpackZip('many.zip', many)).toEqual({
      files: [],
      problem: '“many.zip” would unpack into more than 2000 drawings. Nothing was imported; pack it in parts.',
    });
    const bomb = claiming(
      zipSync(Object.fromEntries(Array.from({ length: 11 }, (_, i) => [`${i}.png`, svg]))),
      38 * 1024 * 1024,
    );
    expect(bomb.length).toBeLessThan(2000);
    expect(await unpackZip('bomb.zip', bomb)).toMatchObject({
      files: [],
      problem: expect.stringContaining('more than 400 MB') as string,
    });
  });

  it('leaves single drawings in it that are too large, and says so', async () => {
    const { files, problem } = await unpackZip(
      'art.zip',
      zipSync({ 'large.png': new Uint8Array(41 * 1024 * 1024), 'small.svg': svg }, { level: 1 }),
    );
    expect(files.map(({ name }) => name)).toEqual(['small.svg']);
    expect(problem).toBe('One drawing in “art.zip” is larger than 40 MB and was not imported.');
  });

  it('says so where it holds none, or is damaged', async () => {
    expect((await unpackZip('text.zip', zipSync({ 'a.txt': svg }))).problem).toBe(
      '“text.zip” contains no drawings. Nothing was imported.',
    );
    expect((await unpackZip('note.zip', strToU8('hello'))).problem).toBe(
      '“note.zip” is damaged or not a ZIP file. Nothing was imported; pack it again.',
    );
  });

  it('never fails with anything but a sentence, however it is spoilt', async () => {
    const whole = zipSync({ 'whelk.svg': strToU8('<svg/>'.repeat(50)), 'crab.svg': svg });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ at: fc.nat(whole.length - 1), byte: fc.nat(255) }), { minLength: 1, maxLength: 8 }),
        fc.nat(whole.length),
        async (changes, length) => {
          const spoilt = whole.slice(0, Math.max(1, length));
          for (const { at, byte } of changes) if (at < spoilt.length) spoilt[at] = byte;
          const { files, problem } = await unpackZip('spoilt.zip', spoilt);
          expect(files.length > 0 || problem !== undefined).toBe(true);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('is known by its name or its kind', () => {
    expect(isZip({ name: 'Art.ZIP', type: '' })).toBe(true);
    expect(isZip({ name: 'art', type: 'application/zip' })).toBe(true);
    expect(isZip({ name: 'zip.svg', type: 'image/svg+xml' })).toBe(false);
  });
});
