import { compose, IDENTITY } from '../../geometry/index.ts';
import type { ArtworkNode, ClipShape, FillRule, GroupNode, PathNode, Stroke } from '../artwork.ts';
import type { View } from '../motif.ts';
import { type Definitions, numberOf, readPaint, referenceIn, Unsupported } from './readPaint.ts';
import { readMatrix } from './svgMatrix.ts';
import { parseXml, type XmlElement } from './xmlTree.ts';

/** A drawing as read: its own units, and the pictures found in it, still encoded. */
export interface SvgDrawing {
  readonly view: View;
  readonly nodes: readonly ArtworkNode[];
}

/** Called for each embedded picture; returns the content address it is kept under. */
export type KeepPicture = (dataUrl: string) => string;

/**
 * Reads normalised SVG (shapes as paths, styles resolved, `use` expanded) into artwork nodes.
 *
 * @throws Unsupported naming the first thing the model cannot hold
 */
export function readSvg(text: string, keepPicture: KeepPicture): SvgDrawing {
  const root = parseXml(text);
  const definitions = new Map<string, XmlElement>();
  for (const child of root.children) {
    if (child.name === 'defs')
      for (const xmlElement of child.children) definitions.set(xmlElement.attributes['id'] ?? '', xmlElement);
  }
  const [x, y, width, height] = (root.attributes['viewBox'] ?? '').split(/[\s,]+/).map(Number);
  if (x === undefined || y === undefined || !width || !height || ![x, y, width, height].every(Number.isFinite)) {
    throw new Unsupported('a drawing without a size');
  }
  const readNode = (element: XmlElement): ArtworkNode[] => {
    switch (element.name) {
      case 'g':
        return readGroup(element);
      case 'path':
        return underTransform(element, readPath(element, definitions));
      case 'image':
        return underTransform(element, readPicture(element));
      case 'defs':
        return [];
      default:
        throw new Unsupported(`the element “${element.name}”`);
    }
  };
  const readGroup = (element: XmlElement): ArtworkNode[] => {
    const { filter, mask, style } = element.attributes;
    if (filter) throw new Unsupported('a filter effect');
    if (mask) throw new Unsupported('a mask');
    if (/mix-blend-mode:\s*(?!normal)/.test(style ?? '')) throw new Unsupported('a blend mode');
    const children = element.children.flatMap(readNode);
    const clipId = referenceIn(element.attributes['clip-path']);
    const clip = clipId === undefined ? undefined : readClip(definitions.get(clipId), definitions);
    const opacity = numberOf(element, 'opacity', 1);
    const matrix = readMatrix(element.attributes['transform']);
    // What is clipped to nothing is not seen.
    if (children.length === 0 || opacity === 0 || clip?.length === 0) return [];
    const group: GroupNode = { kind: 'group', matrix, opacity, ...(clip && { clip }), children };
    return [group];
  };
  const readPicture = (element: XmlElement): ArtworkNode => {
    const href = element.attributes['xlink:href'] ?? element.attributes['href'] ?? '';
    if (!/^data:image\/(png|jpe?g|webp|gif)/.test(href)) throw new Unsupported('an embedded drawing');
    const fitting = element.attributes['preserveAspectRatio'];
    if (fitting && !fitting.startsWith('none')) throw new Unsupported('a picture fitted into a frame');
    return {
      kind: 'picture',
      blob: keepPicture(href),
      x: numberOf(element, 'x', 0),
      y: numberOf(element, 'y', 0),
      width: numberOf(element, 'width', 0),
      height: numberOf(element, 'height', 0),
    };
  };
  return { view: { x, y, width, height }, nodes: root.children.flatMap(readNode) };
}

function underTransform(element: XmlElement, node: ArtworkNode | undefined): ArtworkNode[] {
  if (!node || element.attributes['visibility'] === 'hidden') return [];
  const matrix = readMatrix(element.attributes['transform']);
  return matrix === IDENTITY ? [node] : [{ kind: 'group', matrix, opacity: 1, children: [node] }];
}

function readPath(element: XmlElement, definitions: Definitions): PathNode | undefined {
  const { attributes } = element;
  const path = attributes['d'] ?? '';
  const fill = readPaint(attributes['fill'] ?? '#000000', numberOf(element, 'fill-opacity', 1), path, definitions);
  const strokePaint = readPaint(attributes['stroke'], numberOf(element, 'stroke-opacity', 1), path, definitions);
  const stroke: Stroke | undefined = strokePaint && {
    paint: strokePaint,
    width: numberOf(element, 'stroke-width', 1),
    cap: oneOf(attributes['stroke-linecap'], ['butt', 'round', 'square']),
    join: oneOf(attributes['stroke-linejoin'], ['miter', 'round', 'bevel']),
    miterLimit: numberOf(element, 'stroke-miterlimit', 4),
    dash: (attributes['stroke-dasharray']?.match(/[\d.e+-]+/g) ?? []).map(Number),
    dashOffset: numberOf(element, 'stroke-dashoffset', 0),
  };
  if (!path || (!fill && !stroke)) return undefined;
  return {
    kind: 'path',
    path,
    rule: fillRule(attributes['fill-rule']),
    ...(fill && { fill }),
    ...(stroke && { stroke }),
    ...(stroke && fill && attributes['paint-order']?.startsWith('stroke') && { strokeFirst: true }),
  };
}

function readClip(element: XmlElement | undefined, definitions: Definitions): ClipShape[] {
  if (!element) return [];
  if (referenceIn(element.attributes['clip-path'])) throw new Unsupported('a clip within a clip');
  if (element.attributes['clipPathUnits'] === 'objectBoundingBox') throw new Unsupported('a clip sized by its shape');
  const outer = readMatrix(element.attributes['transform']);
  const shapes: ClipShape[] = [];
  const collect = (parent: XmlElement, matrix: ClipShape['matrix']): void => {
    for (const child of parent.children) {
      const within = compose(matrix, readMatrix(child.attributes['transform']));
      if (referenceIn(child.attributes['clip-path'])) throw new Unsupported('a clip within a clip');
      if (child.name === 'g') collect(child, within);
      else if (child.name === 'path' && child.attributes['visibility'] !== 'hidden') {
        const shape = readPath(child, definitions);
        if (shape) shapes.push({ path: shape.path, rule: fillRule(child.attributes['clip-rule']), matrix: within });
      }
    }
  };
  collect(element, outer);
  return shapes;
}

function fillRule(text: string | undefined): FillRule {
  return text === 'evenodd' ? 'evenodd' : 'nonzero';
}

function oneOf<T extends string>(text: string | undefined, known: readonly [T, ...T[]]): T {
  return known.find((one) => one === text) ?? known[0];
}
