import { PDFArray, PDFDocument, PDFHexString, PDFName } from 'pdf-lib';
import type { Hex } from '../../core/colour/index.ts';
import { colourwayOf, type Design } from '../../core/document/index.ts';
import type { VectorPage } from '../../core/export/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import type { Scene } from '../../core/paint/index.ts';
import { srgbProfile } from '../paint/srgbProfile.ts';
import { drawCloth } from './drawCloth.ts';
import type { GroundPicture } from './groundPicture.ts';
import { PdfContent, POINTS_PER_MM } from './pdfContent.ts';
import { PdfPaints } from './pdfPaint.ts';

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
  const paints = new PdfPaints(context, spotColours ? spotNamesOf(design) : new Map());
  const content = new PdfContent(context);
  const { page, painted, trim, scale } = plan;
  const points = scale * POINTS_PER_MM;
  // From mm of the cloth, downwards, to points from the sheet's lower edge.
  content.transform([points, 0, 0, -points, -page.left * points, page.bottom * points]);
  await drawCloth(content, { scene, repeat: design.repeat, ground, pictures }, painted, paints);
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
export async function sayColours(pdf: PDFDocument): Promise<void> {
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
