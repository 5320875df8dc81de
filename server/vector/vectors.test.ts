import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import * as mupdf from 'mupdf';
import { PDFDocument } from 'pdf-lib';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Design, newDesign, newLayer } from '../../core/document/index.ts';
import { exportPlan, type Extent, tileOrder, type VectorOrder, vectorTileOrder } from '../../core/export/index.ts';
import { step, type Step } from '../../core/lattice/index.ts';
import { IDENTITY } from '../../core/geometry/index.ts';
import { type Artwork, type GroupNode, inksOf, type Motif } from '../../core/motif/index.ts';
import { paintPlane } from '../../core/paint/index.ts';
import { leafAt, LEAF_RECORD } from '../../core/testing/arbitraries.ts';
import { EVERY_NODE } from '../../core/testing/everyNode.ts';
import { loadScene, onBackdrop } from '../paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';
import { Blobs } from '../store/blobs.ts';
import { writeVector } from './writeVector.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-vector-'));
const blobs = new Blobs(join(folder, 'blobs'));
afterAll(() => removeFolder(folder));

/** A part that fades out, over another. */
const SOFT: GroupNode = {
  kind: 'group',
  matrix: [1, 0, 0.1, 1, 2, 30],
  opacity: 1,
  clip: [{ path: 'M 0 0 L 14 0 L 14 10 L 0 10 Z', rule: 'nonzero', matrix: IDENTITY }],
  softness: 1.5,
  children: [
    {
      kind: 'path',
      path: 'M -6 -6 L 20 -6 L 20 16 L -6 16 Z',
      rule: 'nonzero',
      strokeFirst: false,
      fill: { kind: 'ink', ink: '#b3402e', opacity: 1 },
    },
  ],
};

/** Ten pixels to the mm, at which the cell is of whole pixels. */
const DPI = 254;
let motif: Motif = LEAF_RECORD;
beforeAll(async () => {
  const noise = Buffer.from(
    Uint8Array.from({ length: 40 * 30 * 4 }, (_, n) => (n % 4 === 3 ? 255 - (n % 251) : (n * 7) % 256)),
  );
  const png = await sharp(noise, { raw: { width: 40, height: 30, channels: 4 } })
    .blur(2)
    .png()
    .toBuffer();
  const picture = { kind: 'picture', blob: blobs.keep(png, 'png'), x: 20, y: 20, width: 16, height: 12 } as const;
  const artwork: Artwork = { ...EVERY_NODE, nodes: [...EVERY_NODE.nodes, picture, SOFT] };
  motif = { ...LEAF_RECORD, inks: inksOf(artwork), artwork: blobs.keep(Buffer.from(JSON.stringify(artwork)), 'json') };
});

const veil = { ...newLayer('veil', 'Veil'), opacity: 0.7, blend: 'multiply' as const };
function designIn(kind: Step): Design {
  const plain = newDesign('d', 'Tide “marks” & weed', { width: 60, height: 40, step: kind }, '#c8d2c0');
  return {
    ...plain,
    layers: [...plain.layers, veil],
    inks: [...plain.inks, { id: 'leaf', name: 'Sea lettuce #2 é', prints: ['#3e7a5e'] }],
    colourways: [{ id: 'base', name: 'Base', colours: { ground: '#c8d2c0', leaf: '#204060' } }],
    placements: [
      leafAt('a', { x: 0, y: 0, rotation: 30 }),
      leafAt('b', { x: 58, y: 21, flipped: true, scale: 0.8, blend: 'multiply' }),
      leafAt('c', { x: 25, y: 39, opacity: 0.6, skew: 12 }),
      leafAt('d', { x: 40, y: 8, layer: 'veil', rotation: -70 }),
      leafAt('e', { x: 44, y: 12, layer: 'veil', aspect: 0.7 }),
    ],
  };
}
const HALF_DROP = designIn(step('half-drop'));

let files = 0;
async function written(part: Partial<VectorOrder>, design = HALF_DROP) {
  files += 1;
  const file = join(folder, `file-${files}`);
  const order = { ...vectorTileOrder('svg'), ...part };
  const outcome = await writeVector({
    kind: 'vector',
    design,
    motifs: [motif],
    blobs: blobs.folder,
    order,
    title: design.name,
    file,
  });
  return { content: readFileSync(file), ...outcome };
}

/** What our own painter shows of an extent, premultiplied on white. */
async function painted(extent: Extent, design = HALF_DROP, ground?: '#ffffff'): Promise<Uint8ClampedArray> {
  const { scene, backend } = await loadScene(design, [motif], blobs);
  const { grid, width, height } = exportPlan(design.repeat, { ...tileOrder({ kind: 'density', dpi: DPI }), extent });
  const surface = nodeSurface(width, height);
  const window = { left: 0, top: 0, right: width, bottom: height };
  paintPlane(surface.context, { scene: onBackdrop(scene, ground), grid, window }, backend);
  return pixelsOf(surface);
}

interface Pixels {
  readonly data: Uint8Array | Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}

/** @param isBare whether what shows through stays so, and is not white */
async function svgPixels(svg: Buffer, isBare = false): Promise<Pixels> {
  // Ten pixels for each mm that the document says it measures.
  const sized = svg
    .toString()
    .replace(/(?<=<svg [^>]*(?:width|height)=")([\d.]+)mm/g, (_, mm) => String(10 * Number(mm)));
  const image = sharp(Buffer.from(sized));
  const { data, info } = await (isBare ? image : image.flatten({ background: '#ffffff' }))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

function pdfPixels(pdf: Buffer): Pixels {
  const page = mupdf.Document.openDocument(pdf, 'application/pdf').loadPage(0);
  const scale = DPI / 72;
  const pixmap = page.toPixmap(mupdf.Matrix.scale(scale, scale), mupdf.ColorSpace.DeviceRGB, false, true);
  const [width, height, three] = [pixmap.getWidth(), pixmap.getHeight(), pixmap.getPixels()];
  const data = new Uint8Array(4 * width * height).fill(255);
  for (let n = 0; n < width * height; n += 1) data.set(three.subarray(3 * n, 3 * n + 3), 4 * n);
  return { data, width, height };
}

/** Mean difference of the channels, as a share of the whole range. */
function difference({ data }: Pixels, wanted: Uint8ClampedArray): number {
  expect(data.length).toBe(wanted.length);
  let sum = 0;
  for (let i = 0; i < data.length; i += 1) sum += Math.abs((data[i] as number) - (wanted[i] as number));
  return sum / data.length / 255;
}

/** The mean step between neighbouring columns at `x`, wrapped around. */
function stepAt({ data, width, height }: Pixels, x: number): number {
  let sum = 0;
  for (let y = 0; y < height; y += 1)
    for (let c = 0; c < 3; c += 1) {
      const at = (column: number): number => data[4 * (y * width + (column % width)) + c] as number;
      sum += Math.abs(at(x) - at(x + 1));
    }
  return sum / height / 3;
}

/** The step across the join of copies laid side by side, against the largest that our own painter has there or beside. */
function joinAgainst(found: Pixels, wanted: Uint8ClampedArray): number {
  const own = { ...found, data: wanted };
  const last = found.width - 1;
  return stepAt(found, last) / Math.max(stepAt(own, last), stepAt(own, last - 1), stepAt(own, 0));
}

const TILE: Extent = { kind: 'tile' };

describe.each([
  ['square', designIn(step('square'))],
  ['half-drop', HALF_DROP],
  ['brick', designIn(step('brick'))],
  ['mirrored', designIn({ ...step('square'), mirrored: 'both' })],
])('a %s as shapes', (_name, design) => {
  it.each(['svg', 'svg-pattern'] as const)('is drawn by other engines as by ours: %s', async (format) => {
    const { content, proof } = await written({ format }, design);
    expect(proof?.mean).toBeLessThan(0.005 * 255);
    const found = await svgPixels(content);
    const wanted = await painted(TILE, design);
    expect(difference(found, wanted)).toBeLessThan(0.005);
    expect(joinAgainst(found, wanted)).toBeLessThan(1.05);
  });

  it('is drawn by another engine as by ours: pdf', async () => {
    const { content } = await written({ format: 'pdf' }, design);
    const found = pdfPixels(content);
    const wanted = await painted(TILE, design);
    expect(difference(found, wanted)).toBeLessThan(0.005);
    expect(joinAgainst(found, wanted)).toBeLessThan(1.05);
  });
});

describe('an SVG', () => {
  it('of a pattern has one pattern element of the tile’s size, and fills any extent from it', async () => {
    const extent: Extent = { kind: 'length', width: 150, height: 90 };
    const { content } = await written({ format: 'svg-pattern', extent });
    const text = content.toString();
    expect(text.match(/<pattern /g)).toHaveLength(1);
    expect(text).toContain('patternUnits="userSpaceOnUse" width="120" height="40"');
    expect(difference(await svgPixels(content), await painted(extent))).toBeLessThan(0.005);
  });

  it('has each motif once, and clips what crosses its edges', async () => {
    const text = (await written({})).content.toString();
    expect(text.match(/<g id="m\d+">/g)).toHaveLength(1);
    expect(text).toContain('clip-path="url(#edges)"');
    expect(text).toContain('<title>Tide “marks” &amp; weed</title>');
    expect(text).toMatch(
      /<metadata>Redrawn and compared with the pattern at \d+ pixels: mean difference 0\.\d\d %\.<\/metadata>/,
    );
  });

  it('has no ground where the design has none, or the colour behind it', async () => {
    const bare: Design = { ...HALF_DROP, ground: { kind: 'none' } };
    expect(
      difference(
        await svgPixels((await written({ backdrop: '#ffffff' }, bare)).content),
        await painted(TILE, bare, '#ffffff'),
      ),
    ).toBeLessThan(0.005);
    const { data } = await svgPixels((await written({}, bare)).content, true);
    expect(data.some((value, n) => n % 4 === 3 && value === 0)).toBe(true);
  });
});

describe('a PDF', () => {
  it('has true sizes: the trim, the bleed and the sheet, also at another printed width', async () => {
    const { content, width, height } = await written({ format: 'pdf', width: 240, bleed: 3, marks: true });
    const page = (await PDFDocument.load(content)).getPage(0);
    const mm = ({ x, y, width: w, height: h }: ReturnType<typeof page.getTrimBox>) =>
      [x, y, w, h].map((n) => (n * 25.4) / 72);
    expect([width, height]).toEqual([256, 96]);
    for (const [box, wanted] of [
      [page.getTrimBox(), [8, 8, 240, 80]],
      [page.getBleedBox(), [5, 5, 246, 86]],
      [page.getMediaBox(), [0, 0, 256, 96]],
    ] as const)
      mm(box).forEach((n, i) => expect(n).toBeCloseTo(wanted[i] as number, 3));
  });

  it('names its inks as spot colours on wish, and looks the same', async () => {
    const { content } = await written({ format: 'pdf', spotColours: true });
    const text = Buffer.from(await (await PDFDocument.load(content)).save({ useObjectStreams: false })).toString(
      'latin1',
    );
    expect(text).toContain('/Separation /Sea#20lettuce#20#232#20#C3#A9');
    expect(difference(pdfPixels(content), await painted(TILE))).toBeLessThan(0.005);
  });
});

describe('a patterned ground', () => {
  // The height of this half-drop lets two waves through.
  const stops = [
    { ink: 'ground', at: 0 },
    { ink: 'leaf', at: 0.5 },
  ];
  const design: Design = { ...HALF_DROP, ground: { kind: 'gradient', stops, across: 1, down: 2 } };

  it.each(['svg', 'svg-pattern', 'pdf'] as const)('is a picture behind the shapes: %s', async (format) => {
    const { content } = await written({ format }, design);
    const found = format === 'pdf' ? pdfPixels(content) : await svgPixels(content);
    const wanted = await painted(TILE, design);
    expect(difference(found, wanted)).toBeLessThan(0.008);
    expect(joinAgainst(found, wanted)).toBeLessThan(1.2);
    // The ground, the motif's picture, and the mask of what fades.
    if (format !== 'pdf') expect(content.toString().match(/<image /g)).toHaveLength(3);
  });

  it('leaves no single colour behind it in CSS', async () => {
    expect((await written({ format: 'css' }, design)).content.toString()).not.toContain('background-color');
  });
});

describe('a CSS file', () => {
  it('has the tile in itself or beside it, at its true size', async () => {
    const { content } = await written({ format: 'css' });
    expect(content.toString()).toMatch(
      /^\.tide-marks-weed \{\n {2}background-color: #c8d2c0;\n {2}background-image: url\("data:image\/svg\+xml;base64,[\w+/=]+"\);\n {2}background-size: 120mm 40mm;\n\}\n$/,
    );
    const files = unzipSync((await written({ format: 'css', inline: false, width: 60 })).content);
    expect(Object.keys(files)).toEqual(['Tide “marks” & weed.css', 'Tide “marks” & weed.svg']);
    expect(Buffer.from(files['Tide “marks” & weed.css'] as Uint8Array).toString()).toContain(
      'background-size: 60mm 20mm',
    );
  });
});

it('refuses what no program would open, and leaves nothing behind', async () => {
  const repeat = { ...HALF_DROP.repeat, width: 5, height: 5 };
  const extent: Extent = { kind: 'length', width: 20_000, height: 20_000 };
  await expect(written({ extent }, { ...HALF_DROP, repeat })).rejects.toThrow(/More than 50000 motifs/);
  expect(existsSync(join(folder, `file-${files}`))).toBe(false);
});
