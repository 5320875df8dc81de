import { execFile } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { afterAll, describe, expect, it } from 'vitest';
import { FolderLock, holderOf } from './folderLock.ts';
import { StartError } from './startError.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-lock-'));
const file = join(folder, 'in-use');
const MODULE = fileURLToPath(new URL('./folderLock.ts', import.meta.url));
/** Takes the lock if it can, and holds it until all others have tried. */
const CALLER = `import { FolderLock } from ${JSON.stringify(MODULE)};
try { FolderLock.take(${JSON.stringify(file)}, 'here'); console.log('in'); setTimeout(() => process.exit(), 3000); }
catch (error) { console.log(error.constructor.name); }`;

afterAll(() => removeFolder(folder));

describe('the lock of a data folder', () => {
  it('is held by one, says by whom, and is free again when let go', () => {
    const lock = FolderLock.take(file, folder);
    lock.write({ pid: process.pid, url: 'http://127.0.0.1:1' });
    expect(holderOf(file)).toEqual({ pid: process.pid, url: 'http://127.0.0.1:1' });
    expect(() => FolderLock.take(file, folder)).toThrow(StartError);
    expect(() => FolderLock.take(file, folder)).toThrow(
      new RegExp(`in use by another Hevrel \\(process ${process.pid}\\)`),
    );
    lock.release();
    expect(holderOf(file)).toBeUndefined();
    FolderLock.take(file, folder).release();
  });

  it('lets one of many in that come at the same time, and the next once that one was killed', async () => {
    const call = (): Promise<string> =>
      promisify(execFile)(process.execPath, ['--import', 'tsx', '--input-type=module', '--eval', CALLER]).then(
        ({ stdout }) => stdout.trim(),
      );
    const answers = await Promise.all(Array.from({ length: 6 }, call));
    expect(answers.sort()).toEqual([...Array.from({ length: 5 }, () => 'StartError'), 'in']);
    FolderLock.take(file, folder).release();
  });
});
