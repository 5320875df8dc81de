import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';

/*
 * XMP (ISO 16684-1) is written with room to spare, so that a packet can be completed in place once the file is there,
 * whatever its format.
 */

const NOT_YET = 'not proved yet';
const ROOM = 400;
const MARK = `${NOT_YET}${' '.repeat(ROOM - NOT_YET.length)}`;

const escaped = (text: string): string => text.replace(/[&<>"]/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** The packet of a file that is still to be proved. */
export function xmpPacket(title: string): string {
  return `<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/">
<dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escaped(title)}</rdf:li></rdf:Alt></dc:title>
<dc:description><rdf:Alt><rdf:li xml:lang="x-default">${MARK}</rdf:li></rdf:Alt></dc:description>
<dc:publisher><rdf:Bag><rdf:li>Hevrel</rdf:li></rdf:Bag></dc:publisher>
</rdf:Description></rdf:RDF>
<?xpacket end="w"?>`;
}

/** Writes a text of ASCII letters into the packet of a finished file. @throws Error where it has none */
export async function completeXmp(file: string, text: string): Promise<void> {
  const at = await positionOf(file, Buffer.from(MARK, 'latin1'));
  if (at === undefined) throw new Error(`${file} has no packet to write into`);
  const handle = await open(file, 'r+');
  try {
    await handle.write(Buffer.from(escaped(text).slice(0, ROOM).padEnd(ROOM), 'latin1'), 0, ROOM, at);
    await handle.sync();
  } finally {
    await handle.close();
  }
}

async function positionOf(file: string, sought: Buffer): Promise<number | undefined> {
  let kept = Buffer.alloc(0);
  let start = 0;
  for await (const part of createReadStream(file, { highWaterMark: 1 << 20 })) {
    // What is read is bytes, since no encoding was named.
    const bytes = Buffer.concat([kept, part as Buffer]);
    const at = bytes.indexOf(sought);
    if (at >= 0) return start + at;
    kept = bytes.subarray(Math.max(0, bytes.length - sought.length));
    start += bytes.length - kept.length;
  }
  return undefined;
}
