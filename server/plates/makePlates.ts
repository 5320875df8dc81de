import { renameSync, writeFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { PDFDocument, PDFName } from 'pdf-lib';
import { deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { cleanFileName } from '../../core/export/index.ts';
import { pixelGrid } from '../../core/lattice/index.ts';
import { type Separation, separating, type SeparationOrder } from '../../core/separate/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { loadScene } from '../paint/loadScene.ts';
import { partOf } from '../paint/unfinished.ts';
import { Blobs } from '../store/blobs.ts';
import type { TaskContext } from '../work/tasks.ts';
import { type PlatePage, platePage } from './platePage.ts';
import type { PlatesOutcome, PlatesTask } from './platesTask.ts';

/** Share of the work that is over when plates are painted; the rest is writing. */
const SEPARATED = 0.7;

/** Takes a design apart into plates, and writes them with marks and words into a ZIP of pictures or a PDF of one page a plate. */
export async function makePlates(task: PlatesTask, { progress }: TaskContext): Promise<PlatesOutcome> {
  const { design, motifs, order, title, file } = task;
  const { scene, backend } = await loadScene(design, motifs, new Blobs(task.blobs));
  const grid = pixelGrid(design.repeat, order.dpi / MM_PER_INCH);
  const window = { left: 0, top: 0, right: grid.tile.width, bottom: grid.tile.height };
  const steps = separating({ design, motifs: scene.motifs, colourway: undefined, grid, window, backend }, order);
  let step = steps.next();
  for (; !step.done; step = steps.next()) progress(SEPARATED * step.value);
  const separation = step.value;
  const { width, height, inks, facts } = separation;
  const told = (n: number): void => progress(SEPARATED + ((1 - SEPARATED) * n) / inks.length);
  const content =
    order.format === 'pdf' ? await asPdf(separation, order, title, told) : await asZip(separation, order, title, told);
  // Written beside and renamed, so that nobody ever downloads half a file.
  writeFileSync(partOf(file), content);
  renameSync(partOf(file), file);
  return { width, height, inks, facts };
}

/** What stands on a plate. */
function wordsOf({ inks, facts }: Separation, n: number, { dpi, depth, lpi }: SeparationOrder, title: string): string {
  const ink = inks[n];
  const screen = depth === 'screened' ? `, ${lpi} lpi at ${ink?.angle ?? 0}°` : '';
  const coverage = (100 * (facts.coverage[n] ?? 0)).toFixed(1);
  return `${title}: ${n + 1} of ${inks.length}, ${ink?.name ?? ''} ${ink?.colour ?? ''}, ${coverage} %, ${dpi} dpi${screen}`;
}

function pageOf(separation: Separation, n: number, order: SeparationOrder, title: string): PlatePage {
  const { plates, width, height } = separation;
  return platePage(plates[n] as Uint8Array, width, height, order.dpi, wordsOf(separation, n, order, title));
}

async function asZip(
  separation: Separation,
  order: SeparationOrder,
  title: string,
  told: (n: number) => void,
): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  for (const [n, { name }] of separation.inks.entries()) {
    const { data, width, height } = pageOf(separation, n, order, title);
    const picture = sharp(data, { raw: { width, height, channels: 1 } })
      .toColourspace('b-w')
      .withDensity(order.dpi);
    const oneBit = order.depth !== 'grey';
    const resolution = order.dpi / MM_PER_INCH;
    const encoded =
      order.format === 'tiff'
        ? picture.tiff({
            xres: resolution,
            yres: resolution,
            resolutionUnit: 'inch',
            ...(oneBit ? { compression: 'ccittfax4', bitdepth: 1 } : { compression: 'deflate' }),
          })
        : picture.png(oneBit ? { palette: true, colours: 2, dither: 0 } : {});
    const number = String(n + 1).padStart(2, '0');
    files[`${number} ${cleanFileName(name, 'Plate')}.${order.format === 'tiff' ? 'tif' : 'png'}`] =
      await encoded.toBuffer();
    told(n + 1);
  }
  files['Plates.txt'] = strToU8(`${separation.inks.map((_, n) => wordsOf(separation, n, order, title)).join('\n')}\n`);
  return zipSync(files, { level: 0 });
}

async function asPdf(
  separation: Separation,
  order: SeparationOrder,
  title: string,
  told: (n: number) => void,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Hevrel');
  const { context } = pdf;
  const oneBit = order.depth !== 'grey';
  for (const n of separation.inks.keys()) {
    const { data, width, height } = pageOf(separation, n, order, title);
    const image = context.register(
      context.stream(deflateSync(oneBit ? packedBits(data, width, height) : data), {
        Type: 'XObject',
        Subtype: 'Image',
        Width: width,
        Height: height,
        ColorSpace: 'DeviceGray',
        BitsPerComponent: oneBit ? 1 : 8,
        Filter: 'FlateDecode',
      }),
    );
    const [wide, high] = [(72 * width) / order.dpi, (72 * height) / order.dpi];
    const page = pdf.addPage([wide, high]);
    page.node.set(
      PDFName.of('Contents'),
      context.register(context.flateStream(`${wide} 0 0 ${high} 0 0 cm /Plate Do`)),
    );
    page.node.set(PDFName.of('Resources'), context.obj({ XObject: { Plate: image } }));
    told(n + 1);
  }
  return pdf.save();
}

/** Rows of bits, the first the highest; each row begins a new byte. */
function packedBits(data: Uint8Array, width: number, height: number): Uint8Array {
  const bytes = Math.ceil(width / 8);
  const packed = new Uint8Array(bytes * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if ((data[y * width + x] as number) >= 128) {
        const at = y * bytes + (x >> 3);
        packed[at] = (packed[at] as number) | (128 >> (x & 7));
      }
  return packed;
}
