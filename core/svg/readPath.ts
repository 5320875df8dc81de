import { type Box, type Matrix } from '../geometry/index.ts';
import { type ArtworkNode, pathBounds, type PathNode, type Stroke } from '../motif/index.ts';
import { fillRule } from './readClip.ts';
import { readPaint } from './readPaint.ts';
import { readPattern } from './readPattern.ts';
import { numberOf, referenceIn, type SvgContext } from './svgContext.ts';
import { withDots } from './withDots.ts';
import type { XmlElement } from './xmlTree.ts';

/**
 * A path of normalised SVG.
 *
 * @param toPage from the path's space to the page
 * @throws Unsupported for paints that artwork cannot hold
 */
export function readPath(element: XmlElement, toPage: Matrix, context: SvgContext): ArtworkNode[] {
  const { attributes } = element;
  const given = attributes['d'] ?? '';
  const outline = pathBounds(given);
  if (!outline) return [];
  const rule = fillRule(attributes['fill-rule']);
  const fillOpacity = numberOf(element, 'fill-opacity', 1);
  const pattern = context.definitions.get(referenceIn(attributes['fill']) ?? '');
  const filled =
    pattern?.name === 'pattern'
      ? readPattern(pattern, { path: given, rule, outline, opacity: fillOpacity }, toPage, context)
      : undefined;
  const fill = filled
    ? undefined
    : readPaint(attributes['fill'] ?? '#000000', fillOpacity, { outline, painted: outline }, context.definitions);
  const stroke = readStroke(element, outline, context);
  const path = stroke && stroke.cap !== 'butt' ? withDots(given, stroke.width) : given;
  const plain: PathNode = { kind: 'path', path, rule, ...(fill && { fill }), ...(stroke && { stroke }) };
  const strokeFirst = stroke !== undefined && attributes['paint-order']?.startsWith('stroke') === true;
  if (!filled) return fill || stroke ? [strokeFirst && fill ? { ...plain, strokeFirst } : plain] : [];
  if (!stroke) return filled;
  return strokeFirst ? [plain, ...filled] : [...filled, plain];
}

function readStroke(element: XmlElement, outline: Box, { definitions }: SvgContext): Stroke | undefined {
  const { attributes } = element;
  const width = numberOf(element, 'stroke-width', 1);
  const join = oneOf(attributes['stroke-linejoin'], ['miter', 'round', 'bevel']);
  const miterLimit = numberOf(element, 'stroke-miterlimit', 4);
  const reach = width * (join === 'miter' ? Math.max(1, miterLimit) : 1);
  const painted = {
    left: outline.left - reach,
    top: outline.top - reach,
    right: outline.right + reach,
    bottom: outline.bottom + reach,
  };
  const paint = readPaint(
    attributes['stroke'],
    numberOf(element, 'stroke-opacity', 1),
    { outline, painted },
    definitions,
  );
  return (
    paint && {
      paint,
      width,
      cap: oneOf(attributes['stroke-linecap'], ['butt', 'round', 'square']),
      join,
      miterLimit,
      dash: (attributes['stroke-dasharray']?.match(/[\d.e+-]+/g) ?? []).map(Number),
      dashOffset: numberOf(element, 'stroke-dashoffset', 0),
    }
  );
}

function oneOf<T extends string>(text: string | undefined, known: readonly [T, ...T[]]): T {
  return known.find((one) => one === text) ?? known[0];
}
