import { strToU8, zipSync } from 'fflate';
import { hostileDrawings } from './hostileDrawings.ts';
import { pngClaiming } from './pngOf.ts';

const many = (text: string, count: number): Uint8Array => strToU8(`[${`${text},`.repeat(count - 1)}${text}]`);
const archive = (files: Record<string, Uint8Array>): Uint8Array => zipSync(files, { level: 1 });

/** A ZIP whose list of entries says other sizes than there are. */
function lyingArchive(): Uint8Array {
  const zip = archive({ 'collection.json': many('{}', 1000), 'pack.json': many('{}', 1000) });
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  // In the entry of each file in the central directory: packed and unpacked size.
  for (let at = 0; at < zip.length - 46; at += 1)
    if (view.getUint32(at, true) === 0x02014b50) {
      view.setUint32(at + 20, 0x7fffffff, true);
      view.setUint32(at + 24, 0x7fffffff, true);
    }
  return zip;
}

/**
 * Files made to cost whoever reads them as much as possible, by what they do: drawings, pictures, archives, pages and lists.
 * @param scale 1 is what was found to hurt
 */
export function hostileFiles(scale = 1): Readonly<Record<string, () => Uint8Array>> {
  const n = (count: number): number => Math.max(1, Math.round(count * scale));
  const drawings = Object.entries(hostileDrawings(scale)).map(
    ([name, drawing]) => [name, () => strToU8(drawing())] as const,
  );
  return {
    ...Object.fromEntries(drawings),
    'a list of empty motifs': () =>
      archive({ 'collection.json': strToU8(`{"name":"a","motifs":[${'{},'.repeat(n(1_000_000))}{}]}`) }),
    'a list of numbers': () => many('1', n(8_000_000)),
    'lists in lists': () => strToU8('['.repeat(n(1_000_000))),
    'a pack of numbers': () => archive({ 'pack.json': many('1', n(8_000_000)) }),
    'twenty thousand entries': () =>
      archive(Object.fromEntries(Array.from({ length: n(20_000) }, (_, k) => [`${k}.svg`, strToU8('<svg/>')]))),
    'an archive that lies': lyingArchive,
    'an archive in an archive': () => archive({ 'a.zip': archive({ 'pack.json': many('[]', n(500_000)) }) }),
    'a strip without end': () => pngClaiming(1, 10_000_000),
    'a picture of nothing': () => pngClaiming(0, 0),
    'a page tree that loops': () =>
      strToU8(
        '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Count 1/Kids[2 0 R]>>endobj\ntrailer<</Root 1 0 R>>',
      ),
    'half a font': () => strToU8('OTTO\u0000\u000f'.repeat(n(20_000))),
    nothing: () => new Uint8Array(),
  };
}
