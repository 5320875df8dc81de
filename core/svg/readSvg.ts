import {
  type Box,
  boxAround,
  compose,
  cornersOfBox,
  IDENTITY,
  invert,
  largestStretch,
  type Matrix,
  transform,
} from '../geometry/index.ts';
import {
  artworkBounds,
  type ArtworkNode,
  boxOfView,
  type GroupNode,
  rectanglePath,
  unionOf,
  type View,
  viewOfBox,
} from '../motif/index.ts';
import { fitBox } from './fitBox.ts';
import { type ClipLevels, readClips } from './readClip.ts';
import { readPath } from './readPath.ts';
import { numberOf, type SvgContext, type SvgSources, Unsupported } from './svgContext.ts';
import { partDocument } from './svgPart.ts';
import { readMatrix } from './svgMatrix.ts';
import { parseXml, type XmlElement } from './xmlTree.ts';

/** A drawing as read, in its own units. */
export interface SvgDrawing {
  /** The whole page. */
  readonly view: View;
  readonly nodes: readonly ArtworkNode[];
  /** Why parts of it had to become pictures, each once, as phrases. */
  readonly painted: readonly string[];
}

/** Farther out than any page: one such number in a file would otherwise make all else invisibly small. */
const ABSURD = 1e6;
/** Engines write six digits. */
const SAME_SHAPE = 1e-5;

/**
 * Reads normalised SVG (shapes as paths, styles resolved, `use` expanded) into artwork. Parts that artwork cannot hold are painted.
 *
 * @param hasPage whether the file says how large its page is; otherwise it is as large as what is drawn
 * @throws Unsupported where there is no page
 */
export function readSvg(text: string, sources: SvgSources, hasPage = true): SvgDrawing {
  const root = parseXml(text);
  const definitions = new Map<string, XmlElement>();
  for (const child of root.children)
    if (child.name === 'defs')
      for (const definition of child.children) definitions.set(definition.attributes['id'] ?? '', definition);
  const { page, matrix } = pageOf(root);
  const painted = new Set<string>();
  const context: SvgContext = {
    definitions,
    sources,
    page,
    read: (elements, toPage) => elements.flatMap((element) => readNode(element, toPage)),
  };

  /** A node as vectors, or as a picture of it where that cannot be. */
  const readNode = (element: XmlElement, toPage: Matrix): ArtworkNode[] => {
    try {
      return readVectors(element, toPage);
    } catch (error) {
      if (!(error instanceof Unsupported)) throw error;
      // What blends by itself needs what lies below it, however its own contents are kept apart.
      if (error.needsBackdrop && (isBlended(element) || !isIsolated(element))) throw error;
      return paint([element], toPage, error);
    }
  };
  const paint = (elements: readonly XmlElement[], toPage: Matrix, { message }: Unsupported): ArtworkNode[] => {
    painted.add(message);
    const back = invert(toPage);
    if (!back) return [];
    const seen = boxAround(cornersOfBox(boxOfView(page)).map((corner) => transform(back, corner)));
    const frame = viewOfBox(seen);
    const document = partDocument(elements, definitions);
    return sources.paint({ document, frame, magnification: largestStretch(toPage), page });
  };
  const readVectors = (element: XmlElement, toPage: Matrix): ArtworkNode[] => {
    const own = readMatrix(element.attributes['transform']);
    const within = compose(toPage, own);
    switch (element.name) {
      case 'g':
        return readGroup(element, own, within);
      case 'path':
      case 'image':
        if (element.attributes['visibility'] === 'hidden') return [];
        return grouped(
          own,
          element.name === 'path' ? readPath(element, within, context) : readPicture(element, context),
        );
      case 'defs':
        return [];
      default:
        throw new Unsupported(`the element “${element.name}”`);
    }
  };
  const readGroup = (element: XmlElement, own: Matrix, within: Matrix): ArtworkNode[] => {
    if (isBlended(element)) throw new Unsupported('a blend mode', true);
    if (element.attributes['filter']) throw new Unsupported('a filter effect');
    const opacity = numberOf(element, 'opacity', 1);
    const children = context.read(element.children, within);
    if (children.length === 0 || opacity === 0) return [];
    return clippedGroup(own, opacity, readClips(element, children, definitions), children);
  };

  const nodes = grouped(matrix, readAll(root.children));
  return { view: hasPage ? page : (extentOf(nodes) ?? page), nodes, painted: [...painted] };

  function readAll(elements: readonly XmlElement[]): ArtworkNode[] {
    try {
      return context.read(elements, matrix);
    } catch (error) {
      if (!(error instanceof Unsupported && error.needsBackdrop)) throw error;
      return paint(elements, matrix, error);
    }
  }
}

/** Whether it is mixed with what lies below it. */
function isBlended({ attributes }: XmlElement): boolean {
  return /mix-blend-mode:\s*(?!normal)[a-z]/.test(attributes['style'] ?? '');
}

/** Whether what is in the group cannot change what lies below the group (Compositing and Blending, section 5.2). */
function isIsolated({ name, attributes }: XmlElement): boolean {
  return (
    name === 'g' &&
    (numberOf({ attributes } as XmlElement, 'opacity', 1) < 1 ||
      ['filter', 'mask', 'clip-path'].some((effect) => attributes[effect] !== undefined) ||
      /isolation:\s*isolate/.test(attributes['style'] ?? ''))
  );
}

/** The page, and how the view box lies on it. */
function pageOf(root: XmlElement): { page: View; matrix: Matrix } {
  const [x, y, width, height] = (root.attributes['viewBox'] ?? '').split(/[\s,]+/).map(Number);
  if (x === undefined || y === undefined || !width || !height || ![x, y, width, height].every(Number.isFinite))
    throw new Unsupported('a drawing without a size');
  const box = { x, y, width, height };
  const sheet = { x: 0, y: 0, width: numberOf(root, 'width', width), height: numberOf(root, 'height', height) };
  // Of the same shape but for rounding, they are the same: a page of 40 units is 40 wide.
  if (Math.abs((sheet.width * box.height) / (sheet.height * box.width) - 1) < SAME_SHAPE)
    return { page: box, matrix: IDENTITY };
  const { matrix } = fitBox(box, sheet, root.attributes['preserveAspectRatio']);
  const back = invert(matrix);
  // Stretched, there is no page in the drawing's own units.
  if (!back || matrix[0] !== matrix[3]) return { page: sheet, matrix };
  const [corner, far] = [transform(back, { x: 0, y: 0 }), transform(back, { x: sheet.width, y: sheet.height })];
  return { page: { x: corner.x, y: corner.y, width: far.x - corner.x, height: far.y - corner.y }, matrix: IDENTITY };
}

/** The bounds of what is drawn, but for what lies absurdly far out. */
function extentOf(nodes: readonly ArtworkNode[]): View | undefined {
  const boxes = nodes.map((node) => artworkBounds([node], IDENTITY));
  const near = boxes.filter((box) => box && Object.values(box).every((edge: number) => Math.abs(edge) <= ABSURD));
  const box: Box | undefined = unionOf(near) ?? unionOf(boxes);
  if (!box || !(box.right > box.left && box.bottom > box.top)) return undefined;
  return viewOfBox(box);
}

function readPicture(element: XmlElement, { sources }: SvgContext): ArtworkNode[] {
  const href = element.attributes['xlink:href'] ?? element.attributes['href'] ?? '';
  const { blob, width, height } = sources.keep(href);
  const frame = {
    x: numberOf(element, 'x', 0),
    y: numberOf(element, 'y', 0),
    width: numberOf(element, 'width', width),
    height: numberOf(element, 'height', height),
  };
  const { matrix, isCut } = fitBox({ x: 0, y: 0, width, height }, frame, element.attributes['preserveAspectRatio']);
  const [kx, , , ky, x, y] = matrix;
  const picture: ArtworkNode = { kind: 'picture', blob, x, y, width: width * kx, height: height * ky };
  if (!isCut) return [picture];
  const path = rectanglePath(boxOfView(frame));
  return clippedGroup(IDENTITY, 1, [[{ path, rule: 'nonzero', matrix: IDENTITY }]], [picture]);
}

function clippedGroup(
  matrix: Matrix,
  opacity: number,
  levels: ClipLevels,
  children: readonly ArtworkNode[],
): ArtworkNode[] {
  // What is clipped to nothing is not seen.
  if (levels.some((level) => level.length === 0)) return [];
  const [outer, ...inner] = levels;
  const held = inner.reduceRight<readonly ArtworkNode[]>(
    (within, clip): GroupNode[] => [{ kind: 'group', matrix: IDENTITY, opacity: 1, clip, children: within }],
    children,
  );
  return [{ kind: 'group', matrix, opacity, ...(outer && { clip: outer }), children: held }];
}

function grouped(matrix: Matrix, nodes: ArtworkNode[]): ArtworkNode[] {
  return matrix === IDENTITY || nodes.length === 0 ? nodes : [{ kind: 'group', matrix, opacity: 1, children: nodes }];
}
