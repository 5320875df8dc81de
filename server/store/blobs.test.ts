import { mkdtempSync, readdirSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Blobs } from './blobs.ts';
import { removeFolder } from '../testing/folders.ts';

let folder: string;
let blobs: Blobs;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-blobs-'));
  blobs = new Blobs(folder);
});

afterAll(() => removeFolder(folder));

describe('kept content', () => {
  it('is found again under its address, and kept once', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 200 }), async (content) => {
        const address = blobs.keep(content, 'png');
        expect(blobs.keep(content, 'png')).toBe(address);
        expect(blobs.addressOf(content, 'png')).toBe(address);
        expect(Uint8Array.from(await blobs.read(address))).toEqual(content);
        expect(blobs.has(address)).toBe(true);
      }),
    );
    // Nothing half written is left lying about.
    expect(readdirSync(folder, { recursive: true }).filter((name) => /\.png\./.test(String(name)))).toEqual([]);
  });

  it('is held against its address when it is first read, and mended by the same content', async () => {
    for (const damage of [
      (path: string) => truncateSync(path, 3),
      (path: string) => writeFileSync(path, 'something else'),
    ]) {
      const content = `kept ${damage.toString()}`;
      const address = blobs.keep(content, 'svg');
      damage(blobs.pathOf(address));
      const later = new Blobs(folder);
      await expect(later.read(address)).rejects.toThrow(/is damaged on the disk .* import the same file again/);
      await expect(later.soundPathOf(address)).rejects.toMatchObject({ status: 500 });
      expect(later.keep(content, 'svg')).toBe(address);
      expect((await later.read(address)).toString()).toBe(content);
      expect(await new Blobs(folder).soundPathOf(address)).toBe(blobs.pathOf(address));
    }
  });

  it('has no address that leads anywhere else', () => {
    for (const wrong of [
      '',
      '../../etc/passwd',
      `${'a'.repeat(64)}.exe`,
      `${'a'.repeat(63)}.png`,
      `${'A'.repeat(64)}.png`,
      `${'a'.repeat(64)}.png/..`,
    ]) {
      expect(Blobs.isAddress(wrong)).toBe(false);
      expect(blobs.has(wrong)).toBe(false);
      expect(() => blobs.pathOf(wrong)).toThrow(RangeError);
    }
    expect(blobs.has(`${'a'.repeat(64)}.png`)).toBe(false);
  });
});
