import {
  type Box,
  boxAround,
  compose,
  cornersOfBox,
  IDENTITY,
  invert,
  type Matrix,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import {
  type ArtworkNode,
  everyNode,
  type FillRule,
  type GroupNode,
  artworkBounds,
  boxOfView,
  rectanglePath,
  type View,
} from '../motif/index.ts';
import { fitBox } from './fitBox.ts';
import { boxMatrix } from './readPaint.ts';
import { numberOf, type SvgContext, Unsupported } from './svgContext.ts';
import { readMatrix } from './svgMatrix.ts';
import type { XmlElement } from './xmlTree.ts';

/** Beyond this a pattern is a texture, and costs more as shapes than as a picture. */
const MOST_NODES = 6000;

/** A shape filled with a pattern: its outline, what of it is filled, and how. */
export interface PatternFill {
  readonly path: string;
  readonly rule: FillRule;
  readonly outline: Box;
  readonly opacity: number;
}

/**
 * The pattern's tiles laid over a shape and cut to it, as vectors.
 *
 * @throws Unsupported where that would be too many
 */
export function readPattern(
  element: XmlElement,
  fill: PatternFill,
  toPage: Matrix,
  context: SvgContext,
): ArtworkNode[] {
  const { attributes } = element;
  const own = readMatrix(attributes['patternTransform']);
  const box = boxMatrix(fill.outline);
  const [w, h] = [box[0], box[3]];
  const tile = tileOf(element, fill.outline);
  if (!(tile.width > 0 && tile.height > 0)) return [];
  const content = contentMatrix(element, tile, [w, h]);
  const children = context.read(element.children, compose(toPage, compose(own, content)));
  const back = invert(own);
  if (!back || children.length === 0) return [];

  const reach = boxAround(cornersOfBox(fill.outline).map((corner) => transform(back, corner)));
  const columns = [
    Math.floor((reach.left - tile.x) / tile.width),
    Math.ceil((reach.right - tile.x) / tile.width),
  ] as const;
  const rows = [
    Math.floor((reach.top - tile.y) / tile.height),
    Math.ceil((reach.bottom - tile.y) / tile.height),
  ] as const;
  const tiles = (columns[1] - columns[0]) * (rows[1] - rows[0]);
  const nodes = [...everyNode(children)].length;
  if (!(tiles * nodes <= MOST_NODES)) throw new Unsupported('a pattern of very many parts');

  const drawn = artworkBounds(children, content);
  const frame = boxOfView(tile);
  const within = drawn && contains(frame, drawn);
  const one: GroupNode = { kind: 'group', matrix: content, opacity: 1, children };
  const cut: ArtworkNode = within
    ? one
    : {
        kind: 'group',
        matrix: IDENTITY,
        opacity: 1,
        clip: [{ path: rectanglePath(frame), rule: 'nonzero', matrix: IDENTITY }],
        children: [one],
      };
  const laid: ArtworkNode[] = [];
  for (let row = rows[0]; row < rows[1]; row += 1)
    for (let column = columns[0]; column < columns[1]; column += 1)
      laid.push({
        kind: 'group',
        matrix: translationMatrix(column * tile.width, row * tile.height),
        opacity: 1,
        children: [cut],
      });
  return [
    {
      kind: 'group',
      matrix: IDENTITY,
      opacity: fill.opacity,
      clip: [{ path: fill.path, rule: fill.rule, matrix: IDENTITY }],
      children: [{ kind: 'group', matrix: own, opacity: 1, children: laid }],
    },
  ];
}

/** A pattern’s first tile, in its own units. */
export function tileOf(element: XmlElement, outline: Box): View {
  const [x, y, width, height] = ['x', 'y', 'width', 'height'].map((name) => numberOf(element, name, 0)) as [
    number,
    number,
    number,
    number,
  ];
  if (element.attributes['patternUnits'] === 'userSpaceOnUse') return { x, y, width, height };
  const [w, h] = [outline.right - outline.left, outline.bottom - outline.top];
  return { x: outline.left + x * w, y: outline.top + y * h, width: width * w, height: height * h };
}

/** From the units of the pattern's contents to those of its tiles. */
export function contentMatrix({ attributes }: XmlElement, tile: View, [w, h]: readonly [number, number]): Matrix {
  const view = attributes['viewBox']
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  if (view?.length === 4) {
    const [x = 0, y = 0, width = 0, height = 0] = view;
    return fitBox({ x, y, width, height }, tile, attributes['preserveAspectRatio']).matrix;
  }
  if (attributes['patternContentUnits'] === 'objectBoundingBox') return [w, 0, 0, h, tile.x, tile.y];
  // A pattern's contents begin where its first tile does, whatever they are measured in.
  return translationMatrix(tile.x, tile.y);
}

function contains(outer: Box, inner: Box): boolean {
  // Rounding in the file; what reaches over by this much is not seen.
  const slack = 1e-4 * (outer.right - outer.left + outer.bottom - outer.top);
  return (
    inner.left >= outer.left - slack &&
    inner.top >= outer.top - slack &&
    inner.right <= outer.right + slack &&
    inner.bottom <= outer.bottom + slack
  );
}
