import { asDrawn } from '../document/index.ts';
import { compose } from '../geometry/index.ts';
import { artworkText, clipId, escapeXml, matrixText, type SvgPictures, type SvgWriting } from '../svg/index.ts';
import { type FlatPiece, patternIn, type Product, type ProductDrawing } from '../tryon/index.ts';
import { boxText, clothText, type SvgCloth } from '../vector/index.ts';
import { flatLight } from './flatLight.ts';

/** What is drawn, and under which name. */
export interface FlatSvgRequest {
  readonly product: Product;
  readonly drawing: ProductDrawing;
  readonly pieces: readonly FlatPiece[];
  /** What a piece is made of; it stays white without. */
  readonly clothOf: (piece: FlatPiece) => SvgCloth | undefined;
  readonly title: string;
  readonly pictures: SvgPictures;
}

/**
 * A product whose pieces all lie flat as an SVG document: in mm where its pieces are drawn at one scale, else in pixels.
 *
 * @throws RangeError where too many instances are seen
 */
export function flatSvg({ product, drawing, pieces, clothOf, title, pictures }: FlatSvgRequest): string {
  const { width, height, backdrop } = product;
  const writing: SvgWriting = { definitions: [], pictures, colour: asDrawn };
  const view = { left: 0, top: 0, right: width, bottom: height };
  const body = [
    boxText(view, ` fill="${backdrop}"`),
    artworkText(drawing.under.nodes, writing),
    ...pieces.map((piece) => pieceText(piece, clothOf(piece), writing)),
    lightText(drawing, pieces, writing),
    artworkText(drawing.over.nodes, writing),
  ].join('');
  const units = new Set(pieces.flatMap(({ piece: { face } }) => (face.kind === 'flat' ? [face.unit] : [])));
  const [unit] = units;
  const size =
    unit !== undefined && units.size === 1
      ? `width="${width * unit}mm" height="${height * unit}mm"`
      : `width="${width}" height="${height}"`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${width} ${height}">`,
    `<title>${escapeXml(title)}</title>`,
    `<defs>${writing.definitions.join('')}</defs>`,
    body,
    '</svg>\n',
  ].join('');
}

function pieceText(piece: FlatPiece, cloth: SvgCloth | undefined, writing: SvgWriting): string {
  const { outline, bounds, ontoCloth, ontoDrawing } = piece;
  const clip = clipId(outline, writing);
  const printed = cloth
    ? `<g${matrixText(ontoCloth, 'transform')}>${clothText(cloth, patternIn(piece, bounds), writing)}</g>`
    : '';
  // Below a ground it would shine through along the edge, where each is drawn by itself.
  const bare = cloth?.scene.ground ? '' : boxText(bounds, ' fill="#ffffff"');
  return `<g${matrixText(ontoDrawing, 'transform')} clip-path="url(#${clip})">${bare}${printed}</g>`;
}

/** The light on all pieces: what takes of it, and what adds to it. */
function lightText({ light }: ProductDrawing, pieces: readonly FlatPiece[], writing: SvgWriting): string {
  const { darker, lighter } = flatLight(light.nodes);
  if (darker.length + lighter.length === 0) return '';
  const cloth = pieces.flatMap(({ outline, ontoDrawing }) =>
    outline.map((shape) => ({ ...shape, matrix: compose(ontoDrawing, shape.matrix) })),
  );
  const clip = ` clip-path="url(#${clipId(cloth, writing)})"`;
  return [
    darker.length > 0 ? `<g${clip}>${artworkText(darker, writing)}</g>` : '',
    lighter.length > 0 ? `<g${clip} style="mix-blend-mode:color-dodge">${artworkText(lighter, writing)}</g>` : '',
  ].join('');
}
