import { inflateSync } from 'node:zlib';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PngStream } from './pngStream.ts';

const ROW = 9;
/** Rows as they come, a few at a time: noise, and flat ones. */
const anyParts = fc.array(
  fc.oneof(
    fc.integer({ min: 1, max: 9 }).chain((rows) => fc.uint8Array({ minLength: ROW * rows, maxLength: ROW * rows })),
    fc
      .tuple(fc.nat({ max: 255 }), fc.integer({ min: 1, max: 4000 }))
      .map(([byte, rows]) => new Uint8Array(ROW * rows).fill(byte)),
  ),
  { maxLength: 8 },
);

/** The rows of a stream as any reader of PNG has them back; the checksum is looked at while it is inflated. */
function rowsOf(stream: Buffer): Buffer {
  const lines = inflateSync(stream);
  const rows = Buffer.alloc((lines.length / (ROW + 1)) * ROW);
  for (let y = 0; y * (ROW + 1) < lines.length; y += 1) {
    expect(lines[y * (ROW + 1)]).toBe(2);
    for (let n = 0; n < ROW; n += 1)
      rows[y * ROW + n] = (lines[y * (ROW + 1) + 1 + n] as number) + (y > 0 ? (rows[(y - 1) * ROW + n] as number) : 0);
  }
  return rows;
}

describe('parts deflated beside each other', () => {
  it.each([
    [0, 60],
    [2, 6],
  ])('are one stream of all rows, in their order, on %i threads', async (threads, numRuns) => {
    await fc.assert(
      fc.asyncProperty(anyParts, async (parts) => {
        const wanted = Buffer.concat(parts);
        const out: Uint8Array[] = [];
        const stream = new PngStream(ROW, threads, (data) => {
          out.push(data);
          return Promise.resolve();
        });
        for (const part of parts) await stream.write(part);
        await stream.end();
        expect(Buffer.compare(rowsOf(Buffer.concat(out)), wanted)).toBe(0);
      }),
      { numRuns },
    );
  });

  it('fail with what they could not be put into', async () => {
    const full = new Error('no room');
    let count = 0;
    const stream = new PngStream(ROW, 1, () => (++count > 2 ? Promise.reject(full) : Promise.resolve()));
    const write = async (): Promise<void> => {
      for (let n = 0; n < 20; n += 1) await stream.write(new Uint8Array(100 * ROW).fill(n));
      await stream.end();
    };
    await expect(write()).rejects.toBe(full);
    await stream.close();
    await expect(stream.end()).rejects.toBe(full);
  });
});
