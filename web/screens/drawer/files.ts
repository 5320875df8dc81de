import { unzip } from 'fflate';
import { TEXTS } from './texts.ts';

/** What the file chooser offers. */
export const ACCEPTED = '.svg,.svgz,.png,.jpg,.jpeg,.webp,.gif,.tif,.tiff,.avif,.zip,image/*,application/zip';

const DRAWING = /\.(svgz?|png|jpe?g|webp|gif|tiff?|avif)$/i;
const ZIP = /\.zip$/i;

/** Bounds on what one ZIP may unfold into: a packed file can claim to be far larger than it is. */
export const MOST_UNPACKED_FILES = 2000;
const MOST_UNPACKED_BYTES = 400 * 1024 * 1024;
const MOST_FILE_BYTES = 40 * 1024 * 1024;

/** Drawings taken out of a ZIP, or a sentence why not. */
export interface Unpacked {
  readonly files: readonly File[];
  readonly problem: string | undefined;
}

export function isZip(file: Pick<File, 'name' | 'type'>): boolean {
  return ZIP.test(file.name) || file.type === 'application/zip';
}

/** Whether a ZIP is a collection that a Hevrel wrote, which is read whole on the server. */
export async function isCollection(content: Uint8Array): Promise<boolean> {
  let found = false;
  const look = ({ name }: { name: string }): boolean => {
    found ||= name === 'collection.json';
    return false;
  };
  // What is no ZIP is no collection either; it is answered where it is unpacked.
  await new Promise<void>((resolve) => unzip(content, { filter: look }, () => resolve()));
  return found;
}

/**
 * Takes the drawings out of a ZIP. Anything else in it is passed over; one that would unfold beyond the bounds is
 * refused whole, before anything is unpacked.
 */
export async function unpackZip(name: string, content: Uint8Array): Promise<Unpacked> {
  let count = 0;
  let bytes = 0;
  const wanted = (entry: { name: string; originalSize: number }): boolean => {
    const base = baseName(entry.name);
    // Hidden files and the shadows that some systems pack beside each file.
    if (!DRAWING.test(base) || base.startsWith('.') || entry.name.includes('__MACOSX/')) return false;
    count += 1;
    bytes += entry.originalSize;
    return count <= MOST_UNPACKED_FILES && bytes <= MOST_UNPACKED_BYTES && entry.originalSize <= MOST_FILE_BYTES;
  };
  let unpacked: Record<string, Uint8Array>;
  try {
    unpacked = await new Promise((resolve, reject) =>
      unzip(content, { filter: wanted }, (error, data) => (error ? reject(error) : resolve(data))),
    );
  } catch {
    return { files: [], problem: TEXTS.nameIsDamagedOrNo(name) };
  }
  if (count > MOST_UNPACKED_FILES || bytes > MOST_UNPACKED_BYTES) {
    return {
      files: [],
      problem: TEXTS.nameWouldUnpackIntoDrawings(name, count, MOST_UNPACKED_FILES, MOST_UNPACKED_BYTES / 1024 / 1024),
    };
  }
  const files = Object.entries(unpacked).map(
    ([path, data]) => new File([data as Uint8Array<ArrayBuffer>], baseName(path)),
  );
  const left = count - files.length;
  const problem =
    files.length === 0 && left === 0
      ? TEXTS.nameHoldsNoDrawingsNothing(name)
      : left > 0
        ? TEXTS.drawingsInNameLargerThan(left, name)
        : undefined;
  return { files, problem };
}

/** The files of a drop, those in folders too. */
export async function droppedFiles(transfer: DataTransfer): Promise<File[]> {
  // Entries have to be asked for before anything is waited for.
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null);
  if (entries.length === 0) return [...transfer.files];
  return (await Promise.all(entries.map((entry) => filesIn(entry, false)))).flat();
}

async function filesIn(entry: FileSystemEntry, within: boolean): Promise<File[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    // In a folder only drawings are meant; a file dropped by itself is always answered.
    return within && !DRAWING.test(file.name) && !isZip(file) ? [] : [file];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const all: FileSystemEntry[] = [];
  // A reader hands out a hundred entries at a time.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) break;
    all.push(...some);
  }
  return (await Promise.all(all.map((fileSystemEntry) => filesIn(fileSystemEntry, true)))).flat();
}

function baseName(path: string): string {
  return path.split(/[/\\]/).at(-1) ?? '';
}
