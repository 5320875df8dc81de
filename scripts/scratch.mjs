// Where tests keep their data folders for a moment.
import { mkdtempSync, rmSync, statfsSync } from 'node:fs';
import { freemem, tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where Linux keeps files in memory. */
const IN_MEMORY = '/dev/shm';
/** What tests may keep there, and what is to be left to them beside it, bytes. */
const NEEDED = 4e9;

/**
 * Makes a new folder that goes when this process ends, in memory where there is enough: a data folder is a thousand files that are
 * written through to the disk, and some disks take seconds to remove these.
 */
export function scratchFolder() {
  const folder = mkdtempSync(join(hasRoomInMemory() ? IN_MEMORY : tmpdir(), 'hevrel-test-'));
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
  // These would end the process without that.
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => process.exit(1));
  return folder;
}

function hasRoomInMemory() {
  if (process.platform !== 'linux' || freemem() < 2 * NEEDED) return false;
  try {
    const { bavail, bsize } = statfsSync(IN_MEMORY);
    return bavail * bsize > NEEDED;
  } catch (error) {
    // Not every container has it.
    if (error.code === 'ENOENT') return false;
    throw error;
  }
}
