import { headOfFile } from '../store/sourceFile.ts';

/** Kinds of file that can become a motif. */
export type SourceKind = 'svg' | 'svgz' | PictureKind;
export type PictureKind = 'png' | 'jpg' | 'webp' | 'gif' | 'tif' | 'avif';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const JPEG = [0xff, 0xd8, 0xff];
const GZIP = [0x1f, 0x8b];
/** A drawing's root follows its declaration, comments and document type, which are long in some files. */
const HEAD = 1024 * 1024;

/** The kind of a file on the disk by its first bytes; undefined for one that can become no motif. */
export function sniffFile(path: string): SourceKind | undefined {
  return sniff(headOfFile(path, HEAD));
}

/** The kind of a file by its first bytes, whatever it is called; undefined for any other. */
export function sniff(content: Uint8Array): SourceKind | undefined {
  if (begins(content, GZIP)) return 'svgz';
  return sniffPicture(content) ?? (isDrawing(content) ? 'svg' : undefined);
}

/** The kind of a picture of pixels; undefined for any other file. */
export function sniffPicture(content: Uint8Array): PictureKind | undefined {
  if (begins(content, PNG)) return 'png';
  if (begins(content, JPEG)) return 'jpg';
  const text = textOf(content.subarray(0, 64));
  if (text.startsWith('GIF87a') || text.startsWith('GIF89a')) return 'gif';
  if (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') return 'webp';
  // The second pair is BigTIFF.
  if (/^(?:II\*\0|MM\0\*|II\+\0|MM\0\+)/.test(text)) return 'tif';
  if (text.slice(4, 8) === 'ftyp' && /avi[fs]/.test(text.slice(8, 32))) return 'avif';
  return undefined;
}

/** Whether a file is a PDF: its mark may come after other bytes. */
export function isPdf(content: Uint8Array): boolean {
  return textOf(content.subarray(0, 1024)).includes('%PDF-');
}

/** Whether a file on the disk is a picture of pixels. */
export function isPictureFile(path: string): boolean {
  return sniffPicture(headOfFile(path, HEAD)) !== undefined;
}

export function isPdfFile(path: string): boolean {
  return isPdf(headOfFile(path, HEAD));
}

function isDrawing(content: Uint8Array): boolean {
  // Of UTF-16 every other byte is zero where the text is plain.
  const text = textOf(content.subarray(0, HEAD)).replaceAll('\0', '');
  return /^(?:\u00ef\u00bb\u00bf|\u00ff\u00fe|\u00fe\u00ff)?\s*</.test(text) && /<(?:[\w-]+:)?svg[\s>/]/.test(text);
}

function begins(content: Uint8Array, bytes: readonly number[]): boolean {
  return bytes.every((byte, i) => content[i] === byte);
}

function textOf(bytes: Uint8Array): string {
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('latin1');
}
