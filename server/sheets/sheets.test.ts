import * as mupdf from 'mupdf';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import { useSpirals } from '../testing/spirals.ts';
import { cutToWidth } from './sheetSurface.ts';

const spirals = useSpirals();
const call = (path: string, body: unknown) => spirals.hevrel.call('POST', path, body);

async function done(answer: { status: number; body: unknown }): Promise<Record<string, unknown>> {
  expect(answer.status, JSON.stringify(answer.body)).toBe(202);
  const job = await spirals.hevrel.ended(answer.body as Job);
  expect(job.state, job.message ?? '').toBe('done');
  return job.result as Record<string, unknown>;
}

async function fetched(href: unknown): Promise<Buffer> {
  return Buffer.from(await (await spirals.hevrel.fetch((href as string).replace('/api', ''))).arrayBuffer());
}

it('shows each swatch at each scale, with its name, size, step and colours, on pages of true size', async () => {
  const { id } = await spirals.create();
  const { swatch } = await done(await call('/swatches', { design: id, revision: 1, name: 'Tide “mark” 貝' }));
  const wish = { swatches: [swatch], scales: [1, 0.5, 2], paper: 'letter', columns: 2 };
  const pdf = await done(await call('/sheets', { ...wish, format: 'pdf' }));
  expect(pdf).toMatchObject({ fileName: 'Tide “mark” 貝 sheet.pdf', pages: 1 });
  const page = mupdf.Document.openDocument(await fetched(pdf['href']), 'application/pdf').loadPage(0);
  expect(page.getBounds('MediaBox').map(Math.round)).toEqual([0, 0, 612, 792]);
  const text = page.toStructuredText('').asText();
  expect(text).toContain('Tide “mark” ?');
  for (const scale of ['true size', 'shown at 50 %', 'shown at 200 %']) expect(text).toContain(scale);

  const png = await done(await call('/sheets', { ...wish, format: 'png' }));
  const { width, height, density } = await sharp(await fetched(png['href'])).metadata();
  expect([width, density]).toEqual([1700, 200]);
  expect(height).toBeGreaterThan(1700);

  // The cloth is where the layout puts it, at its scale: the ground's colour in the corner of the first.
  const { data, info } = await sharp(await fetched(png['href']))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number): number[] => {
    const from = (Math.round((y / 25.4) * 200) * info.width + Math.round((x / 25.4) * 200)) * info.channels;
    return [...data.subarray(from, from + 3)];
  };
  expect(at(6, 6)).toEqual([255, 255, 255]);
  expect(at(13, 100)).not.toEqual([255, 255, 255]);

  const many = await call('/sheets', { ...wish, swatches: Array.from({ length: 150 }, () => swatch), format: 'pdf' });
  expect(many.status).toBe(422);
  expect(many.body['detail']).toMatch(/450 pictures are too many/);
});

it('cuts words that are too long for their place', () => {
  const widthOf = (text: string): number => text.length;
  expect(cutToWidth('limpets', 7, widthOf)).toBe('limpets');
  expect(cutToWidth('limpets and rope', 9, widthOf)).toBe('limpets…');
});
