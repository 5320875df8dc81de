import type { PDFContext, PDFRef } from 'pdf-lib';
import type { Box } from '../../core/geometry/index.ts';
import type { Repeat } from '../../core/lattice/index.ts';
import { picturesOf } from '../../core/motif/index.ts';
import type { Scene } from '../../core/paint/index.ts';
import { drawnRuns, type DrawnInstance, type DrawnRun } from '../../core/vector/index.ts';
import type { GroundPicture } from './groundPicture.ts';
import { artworkForm, type PdfDrawing } from './pdfArtwork.ts';
import { PdfContent, pdfNumber, pdfNumbers } from './pdfContent.ts';
import type { PdfPaints } from './pdfPaint.ts';
import { pdfPicture } from './pdfPicture.ts';

/** The cloth of a design, ready to be drawn into a PDF. */
export interface PdfCloth {
  readonly scene: Scene;
  readonly repeat: Repeat;
  /** What stands for a ground of more than one colour. */
  readonly ground?: GroundPicture | undefined;
  /** Encoded pictures by the names that the scene has for them. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

/**
 * Draws what is seen in a rectangle of the cloth, clipped to it; the space is mm of the cloth.
 *
 * @throws RangeError where too many instances are seen
 */
export async function drawCloth(
  content: PdfContent,
  { scene, repeat, ground, pictures }: PdfCloth,
  window: Box,
  paints: PdfPaints,
): Promise<void> {
  const { context } = content;
  const runs = drawnRuns(scene, repeat, window);
  const drawing: PdfDrawing = { paints, resolve: scene.resolve, pictures: await picturesIn(runs, context, pictures) };
  content.add('q');
  content.box(window);
  content.add('W n');
  if (scene.ground?.kind === 'flat') {
    content.add(paints.colour(content, scene.ground.colour, 'fill'));
    content.box(window);
    content.add('f');
  } else if (ground) {
    const { left, top, right, bottom } = ground.box;
    const picture = content.nameOf('XObject', await pdfPicture(context, ground.content));
    // A picture is a unit square, its first row at the top.
    content.add('q', `${pdfNumbers([right - left, 0, 0, top - bottom, left, bottom])} cm`, `/${picture} Do`, 'Q');
  }
  const motifs = new Map<string, PDFRef>();
  for (const run of runs) drawRun(content, run, window, motifs, drawing);
  content.add('Q');
}

async function picturesIn(
  runs: readonly DrawnRun[],
  context: PDFContext,
  files: PdfCloth['pictures'],
): Promise<Map<string, PDFRef>> {
  const artworks = new Set(runs.flatMap(({ instances }) => instances.map(({ motif }) => motif.artwork)));
  const pictures = new Map<string, PDFRef>();
  for (const blob of new Set([...artworks].flatMap(picturesOf))) {
    const file = files.get(blob);
    if (file) pictures.set(blob, await pdfPicture(context, file));
  }
  return pictures;
}

function drawRun(
  content: PdfContent,
  { layer, instances }: DrawnRun,
  painted: Box,
  motifs: Map<string, PDFRef>,
  drawing: PdfDrawing,
): void {
  if (!layer) {
    for (const instance of instances) drawInstance(content, instance, motifs, drawing);
    return;
  }
  // A layer is painted by itself and then laid down as one.
  const { paints } = drawing;
  const inner = new PdfContent(paints.context);
  for (const instance of instances) drawInstance(inner, instance, motifs, drawing);
  const state = content.nameOf('ExtGState', paints.state(layer.opacity, layer.blend));
  content.add('q', `/${state} gs`, `/${content.nameOf('XObject', inner.asForm(painted, 'group'))} Do`, 'Q');
}

function drawInstance(
  content: PdfContent,
  { placement, motif, matrix }: DrawnInstance,
  motifs: Map<string, PDFRef>,
  drawing: PdfDrawing,
): void {
  const { opacity, blend } = placement;
  const group = opacity === 1 && blend === 'normal' ? 'plain' : 'group';
  const key = `${placement.motif} ${group}`;
  let form = motifs.get(key);
  if (!form) motifs.set(key, (form = artworkForm(motif.artwork.nodes, group, within(placement.motif, drawing))));
  content.add('q', `${pdfNumbers(matrix.slice(0, 4))} ${pdfNumber(matrix[4])} ${pdfNumber(matrix[5])} cm`);
  if (group === 'group') content.add(`/${content.nameOf('ExtGState', drawing.paints.state(opacity, blend))} gs`);
  content.add(`/${content.nameOf('XObject', form)} Do`, 'Q');
}

/** The drawing with the inks as one motif is printed in them. */
function within(motif: string, drawing: PdfDrawing): PdfDrawing {
  return { ...drawing, resolve: (ink) => drawing.resolve(ink, motif) };
}
