import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';

const unzip = promisify(gunzip);

/** Characters that are told by the first bytes, whatever is declared. */
const MARKS: readonly (readonly [bytes: readonly number[], encoding: string])[] = [
  [[0xef, 0xbb, 0xbf], 'utf-8'],
  [[0xff, 0xfe], 'utf-16le'],
  [[0xfe, 0xff], 'utf-16be'],
  [[0x3c, 0x00], 'utf-16le'],
  [[0x00, 0x3c], 'utf-16be'],
];

/** A packed file that cannot be unpacked. */
export class DamagedFile extends Error {}

/**
 * The text of a drawing's file, unpacked where it is packed, in the encoding that its first bytes or its declaration give (XML 1.0,
 * appendix F); bytes that are none of it become replacement characters.
 *
 * @param most bytes of the unpacked file
 * @throws RangeError where it is larger, DamagedFile where it is packed and cannot be unpacked
 */
export async function drawingText(content: Uint8Array, most: number): Promise<string> {
  const isPacked = content[0] === 0x1f && content[1] === 0x8b;
  // One byte more than may be, so that what is cut off there is not taken for the whole.
  const bytes = isPacked ? await unzip(content, { maxOutputLength: most + 1 }).catch(tooLargeOr) : content;
  if (bytes.byteLength > most) throw new RangeError('too large');
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

function tooLargeOr(error: unknown): never {
  throw error instanceof RangeError ? error : new DamagedFile('damaged', { cause: error });
}

function encodingOf(bytes: Uint8Array): string {
  const mark = MARKS.find(([begin]) => begin.every((byte, i) => bytes[i] === byte));
  if (mark) return mark[1];
  const head = Buffer.from(bytes.subarray(0, 200)).toString('latin1');
  const [, , declared = 'utf-8'] = /^\s*<\?xml[^>]*\sencoding\s*=\s*(["'])([\w.:-]+)\1/.exec(head) ?? [];
  try {
    return new TextDecoder(declared).encoding;
  } catch {
    // A name that nobody knows: nearly all such files are UTF-8 or ASCII.
    return 'utf-8';
  }
}
