import { PDFArray, PDFDocument, PDFHexString, PDFName, type PDFRef } from 'pdf-lib';
import type { Hex } from '../../core/colour/index.ts';
import { colourwayOf, type Design } from '../../core/document/index.ts';
import type { VectorPage } from '../../core/export/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { picturesOf } from '../../core/motif/index.ts';
import type { Scene } from '../../core/paint/index.ts';
import { drawnRuns, type DrawnInstance, type DrawnRun } from '../../core/vector/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { srgbProfile } from '../paint/srgbProfile.ts';
import type { GroundPicture } from './groundPicture.ts';
import { artworkForm, type PdfDrawing } from './pdfArtwork.ts';
import { PdfContent, pdfNumber, pdfNumbers } from './pdfContent.ts';
import { PdfPaints } from './pdfPaint.ts';
import { pdfPicture } from './pdfPicture.ts';

const POINTS_PER_MM = 72 / MM_PER_INCH;

/** What is drawn, and under which name. */
export interface PdfRequest {
  readonly design: Design;
  readonly scene: Scene;
  readonly page: VectorPage;
  readonly title: string;
  readonly spotColours: boolean;
  /** What stands for a ground of more than one colour. */
  readonly ground?: GroundPicture;
  /** Encoded pictures by the names that the scene has for them. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

/**
 * A part of the cloth as a PDF of one page in true mm, with its trim and bleed boxes: vectors where the artwork is vector,
 * pictures at their own pixels.
 *
 * @throws RangeError where too many instances are seen
 */
export async function clothPdf({
  design,
  scene,
  page: plan,
  title,
  spotColours,
  ground,
  pictures,
}: PdfRequest): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Hevrel');
  const { context } = pdf;
  const runs = drawnRuns(scene, design.repeat, plan.painted);
  const drawing: PdfDrawing = {
    paints: new PdfPaints(context, spotColours ? spotNamesOf(design) : new Map()),
    resolve: scene.resolve,
    pictures: await picturesIn(runs, context, pictures),
  };
  const content = new PdfContent(context);
  const { page, painted, trim, scale } = plan;
  const points = scale * POINTS_PER_MM;
  // From mm of the cloth, downwards, to points from the sheet's lower edge.
  content.transform([points, 0, 0, -points, -page.left * points, page.bottom * points]);
  content.add('q');
  content.box(painted);
  content.add('W n');
  if (scene.ground?.kind === 'flat') {
    content.add(drawing.paints.colour(content, scene.ground.colour, 'fill'));
    content.box(painted);
    content.add('f');
  } else if (ground) {
    const { left, top, right, bottom } = ground.box;
    const picture = content.nameOf('XObject', await pdfPicture(context, ground.content));
    // A picture is a unit square, its first row at the top.
    content.add('q', `${pdfNumbers([right - left, 0, 0, top - bottom, left, bottom])} cm`, `/${picture} Do`, 'Q');
  }
  const motifs = new Map<string, PDFRef>();
  for (const run of runs) drawRun(content, run, painted, motifs, drawing);
  content.add('Q');
  if (plan.marks.length > 0) content.add('0 0 0 rg');
  for (const mark of plan.marks) {
    content.box(mark);
    content.add('f');
  }

  const sheet = pdf.addPage([plan.width * POINTS_PER_MM, plan.height * POINTS_PER_MM]);
  const boxOf = ({ left, top, right, bottom }: Box): [number, number, number, number] => [
    (left - page.left) * points,
    (page.bottom - bottom) * points,
    (right - left) * points,
    (bottom - top) * points,
  ];
  sheet.setTrimBox(...boxOf(trim));
  sheet.setBleedBox(...boxOf(painted));
  sheet.node.set(PDFName.of('Contents'), context.register(context.flateStream(content.text)));
  sheet.node.set(PDFName.of('Resources'), content.resources());
  // The space in which translucent motifs meet.
  sheet.node.set(PDFName.of('Group'), context.obj({ S: 'Transparency', CS: 'DeviceRGB', I: true }));
  await sayColours(pdf);
  return pdf.save();
}

/** Says that its red, green and blue are those of sRGB. */
async function sayColours(pdf: PDFDocument): Promise<void> {
  const { context } = pdf;
  const profile = context.register(context.flateStream(await srgbProfile(), { N: 3 }));
  const intent = context.obj({ Type: 'OutputIntent', S: 'GTS_PDFX', DestOutputProfile: profile });
  intent.set(PDFName.of('OutputConditionIdentifier'), PDFHexString.fromText('sRGB'));
  const intents = PDFArray.withContext(context);
  intents.push(intent);
  pdf.catalog.set(PDFName.of('OutputIntents'), intents);
}

/** The name of the ink that prints a colour. */
function spotNamesOf(design: Design): Map<Hex, string> {
  const { colours } = colourwayOf(design);
  const names = new Map<Hex, string>();
  for (const { id, name } of design.inks) {
    const colour = colours[id];
    if (colour && !names.has(colour)) names.set(colour, name);
  }
  return names;
}

async function picturesIn(
  runs: readonly DrawnRun[],
  context: PDFDocument['context'],
  files: PdfRequest['pictures'],
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
