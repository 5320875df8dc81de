/** Kinds of file that can become a motif. */
export type SourceKind = 'svg' | 'png' | 'jpg' | 'webp' | 'tif' | 'avif';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const JPEG = [0xff, 0xd8, 0xff];

/** The kind of a file by its first bytes, whatever it is called; undefined for any other. */
export function sniff(content: Uint8Array): SourceKind | undefined {
  const begins = (bytes: readonly number[]): boolean => bytes.every((byte, i) => content[i] === byte);
  if (begins(PNG)) return 'png';
  if (begins(JPEG)) return 'jpg';
  const text = Buffer.from(content.buffer, content.byteOffset, Math.min(content.byteLength, 4096)).toString('latin1');
  if (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') return 'webp';
  if (text.startsWith('II*\0') || text.startsWith('MM\0*')) return 'tif';
  if (text.slice(4, 8) === 'ftyp' && /avi[fs]/.test(text.slice(8, 32))) return 'avif';
  // XML may begin with a byte order mark, a declaration, comments and a document type.
  if (/^(?:\u00ef\u00bb\u00bf)?\s*</.test(text) && /<(?:[\w-]+:)?svg[\s>/]/.test(text)) return 'svg';
  return undefined;
}
