import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { JobContext } from '../store/jobs.ts';
import { makeZip } from './makeZip.ts';
import { removeFolder } from '../testing/folders.ts';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hevrel-zip-'));
});
afterAll(() => removeFolder(folder));

function context(signal = new AbortController().signal): JobContext & { readonly shares: number[] } {
  const shares: number[] = [];
  return { signal, shares, progress: (share) => void shares.push(share) };
}

describe('several files in one ZIP', () => {
  it('are each there as they were made, under names of their own, and nothing else is left', async () => {
    const file = join(folder, 'three.zip');
    const told = context();
    const made = await makeZip(
      ['a.txt', 'a.txt', 'b.txt'],
      (n, fileName, path, step) => {
        writeFileSync(path, `file ${n}`);
        step.progress(1);
        return Promise.resolve(fileName);
      },
      file,
      told,
    );
    const files = unzipSync(readFileSync(file));
    expect(Object.keys(files)).toEqual(made);
    expect(new Set(made).size).toBe(3);
    expect(Object.values(files).map((bytes) => Buffer.from(bytes).toString())).toEqual(['file 0', 'file 1', 'file 2']);
    expect(told.shares).toEqual([1 / 3, 2 / 3, 1]);
    expect(readdirSync(folder)).toEqual(['three.zip']);
  });

  it('are not there at all where one of them cannot be made', async () => {
    const file = join(folder, 'none.zip');
    const make = (n: number, _name: string, path: string): Promise<number> => {
      if (n === 1) return Promise.reject(new Error('no room'));
      writeFileSync(path, 'x');
      return Promise.resolve(n);
    };
    await expect(makeZip(['a', 'b', 'c'], make, file, context())).rejects.toThrow('no room');
    expect(existsSync(file)).toBe(false);
    expect(readdirSync(folder).filter((name) => name.startsWith('none'))).toEqual([]);
  });

  it('are not there where one of them cannot be read any more', async () => {
    const file = join(folder, 'gone.zip');
    // Said to be made, and not there.
    await expect(makeZip(['a', 'b'], (n) => Promise.resolve(n), file, context())).rejects.toThrow(/ENOENT/);
    expect(readdirSync(folder).filter((name) => name.startsWith('gone'))).toEqual([]);
  });

  it('are not there where they were stopped', async () => {
    const file = join(folder, 'stopped.zip');
    const stop = new AbortController();
    const make = (_n: number, _name: string, path: string): Promise<number> => {
      writeFileSync(path, 'x'.repeat(1000));
      stop.abort();
      return Promise.resolve(0);
    };
    await expect(makeZip(['a'], make, file, context(stop.signal))).rejects.toThrow();
    expect(readdirSync(folder).filter((name) => name.startsWith('stopped'))).toEqual([]);
  });
});
