import type { PDFRef } from 'pdf-lib';
import type { InkResolver } from '../../core/document/index.ts';
import { type Box, compose, IDENTITY, type Matrix } from '../../core/geometry/index.ts';
import {
  artworkBounds,
  type ArtworkNode,
  type ClipShape,
  type GroupNode,
  type PathNode,
  type PictureNode,
  type Stroke,
} from '../../core/motif/index.ts';
import { PdfContent, pdfNumber, pdfNumbers } from './pdfContent.ts';
import type { PdfPaints } from './pdfPaint.ts';
import { softMaskForm } from './softMask.ts';

/** What drawing artwork into a PDF needs, the same for all its nodes. */
export interface PdfDrawing {
  readonly paints: PdfPaints;
  /** Says in which colour an ink of the artwork is printed. */
  readonly resolve: InkResolver;
  /** The pictures of the artwork, by their addresses. */
  readonly pictures: ReadonlyMap<string, PDFRef>;
}

/** Where a form reaches that draws nothing. */
const NOWHERE: Box = { left: 0, top: 0, right: 0, bottom: 0 };

/** Artwork as a form in its own units. */
export function artworkForm(nodes: readonly ArtworkNode[], group: 'group' | 'plain', drawing: PdfDrawing): PDFRef {
  const content = new PdfContent(drawing.paints.context);
  drawNodes(content, nodes, IDENTITY, drawing);
  return content.asForm(artworkBounds(nodes, IDENTITY) ?? NOWHERE, group);
}

/** @param within from the current space to that of the form that is drawn in */
function drawNodes(content: PdfContent, nodes: readonly ArtworkNode[], within: Matrix, drawing: PdfDrawing): void {
  for (const node of nodes) {
    content.add('q');
    if (node.kind === 'group') drawGroup(content, node, within, drawing);
    else if (node.kind === 'path') drawPath(content, node, within, drawing);
    else drawPicture(content, node, drawing);
    content.add('Q');
  }
}

function drawGroup(content: PdfContent, group: GroupNode, within: Matrix, drawing: PdfDrawing): void {
  const { opacity, clip, children, matrix } = group;
  content.transform(matrix);
  const [only, second] = clip ?? [];
  if (clip && !only) return;
  if (clip && group.softness) {
    content.add(`/${content.nameOf('ExtGState', drawing.paints.mask(softMaskForm(group, drawing.paints.context)))} gs`);
  } else if (only && !second) {
    content.path(only.path, only.matrix);
    content.add(only.rule === 'evenodd' ? 'W* n' : 'W n');
  } else if (clip) {
    content.add(`/${content.nameOf('ExtGState', drawing.paints.mask(clipForm(clip, drawing)))} gs`);
  }
  if (opacity === 1) {
    drawNodes(content, children, compose(within, matrix), drawing);
    return;
  }
  content.add(`/${content.nameOf('ExtGState', drawing.paints.state(opacity))} gs`);
  content.add(`/${content.nameOf('XObject', artworkForm(children, 'group', drawing))} Do`);
}

/** What shapes cover together, white on black. */
function clipForm(clip: readonly ClipShape[], { paints }: PdfDrawing): PDFRef {
  const content = new PdfContent(paints.context);
  content.add('1 1 1 rg');
  for (const { path, rule, matrix } of clip) {
    content.path(path, matrix);
    content.add(rule === 'evenodd' ? 'f*' : 'f');
  }
  const nodes = clip.map(({ path, rule, matrix }): ArtworkNode => ({
    kind: 'group',
    matrix,
    opacity: 1,
    children: [{ kind: 'path', path, rule, fill: { kind: 'ink', ink: '#ffffff', opacity: 1 } }],
  }));
  return content.asForm(artworkBounds(nodes, IDENTITY) ?? NOWHERE, 'group');
}

function drawPath(content: PdfContent, node: PathNode, within: Matrix, drawing: PdfDrawing): void {
  const fill = (): void => {
    if (!node.fill) return;
    content.add('q');
    drawing.paints.set(content, node.fill, 'fill', within, drawing.resolve);
    content.path(node.path);
    content.add(node.rule === 'evenodd' ? 'f*' : 'f', 'Q');
  };
  const stroke = (): void => {
    if (!node.stroke || node.stroke.width === 0) return;
    content.add('q');
    drawing.paints.set(content, node.stroke.paint, 'stroke', within, drawing.resolve);
    setLine(content, node.stroke);
    content.path(node.path);
    content.add('S', 'Q');
  };
  for (const draw of node.strokeFirst ? [stroke, fill] : [fill, stroke]) draw();
}

const CAPS = { butt: 0, round: 1, square: 2 } as const;
const JOINS = { miter: 0, round: 1, bevel: 2 } as const;

function setLine(content: PdfContent, { width, cap, join, miterLimit, dash, dashOffset }: Stroke): void {
  content.add(`${pdfNumber(width)} w ${CAPS[cap]} J ${JOINS[join]} j ${pdfNumber(Math.max(1, miterLimit))} M`);
  // A dash of an odd number of lengths runs twice before it is the same again, in both formats.
  if (dash.some((length) => length > 0)) content.add(`[${pdfNumbers(dash)}] ${pdfNumber(dashOffset)} d`);
}

function drawPicture(content: PdfContent, { blob, x, y, width, height }: PictureNode, { pictures }: PdfDrawing): void {
  const picture = pictures.get(blob);
  if (!picture) return;
  // A picture fills the unit square from its lower edge up.
  content.transform([width, 0, 0, -height, x, y + height]);
  content.add(`/${content.nameOf('XObject', picture)} Do`);
}
