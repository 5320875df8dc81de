import { readHex } from '../colour/index.ts';
import { type Box, compose, type Matrix } from '../geometry/index.ts';
import type { GradientStop, LinearPaint, Paint, RadialPaint } from '../motif/index.ts';
import { lengthened } from './lengthenGradient.ts';
import { type Definitions, numberOf, referenceIn, Unsupported } from './svgContext.ts';
import { readMatrix } from './svgMatrix.ts';
import type { XmlElement } from './xmlTree.ts';

/** The shape that is painted: its outline's bounds, which are the unit square of most gradients, and those of all that is painted. */
export interface PaintedShape {
  readonly outline: Box | undefined;
  readonly painted: Box | undefined;
}

/**
 * A fill or stroke of normalised SVG, or undefined where nothing is painted.
 *
 * @throws Unsupported for what artwork cannot hold
 */
export function readPaint(
  text: string | undefined,
  opacity: number,
  shape: PaintedShape,
  definitions: Definitions,
): Paint | undefined {
  if (!text || text === 'none') return undefined;
  const id = referenceIn(text);
  if (id === undefined) {
    const ink = readHex(text);
    if (!ink) throw new Unsupported(`the colour “${text}”`);
    return { kind: 'ink', ink, opacity };
  }
  const element = definitions.get(id);
  if (!element) return undefined;
  if (element.name === 'pattern') throw new Unsupported('a pattern along a line');
  const matrix = gradientMatrix(element, shape.outline);
  if (!matrix) return undefined;
  const stops = readStops(element, opacity);
  const only = stops.at(-1);
  if (!only) return undefined;
  if (stops.length === 1) return { kind: 'ink', ink: only.ink, opacity: only.opacity };
  const paint = gradientOf(element, matrix, stops);
  const spread = element.attributes['spreadMethod'] ?? 'pad';
  return spread === 'reflect' || spread === 'repeat' ? lengthened(paint, spread, shape.painted) : paint;
}

function gradientOf(element: XmlElement, matrix: Matrix, stops: readonly GradientStop[]): LinearPaint | RadialPaint {
  const at = (name: string, missing: number): number => numberOf(element, name, missing);
  if (element.name === 'linearGradient')
    return { kind: 'linear', from: [at('x1', 0), at('y1', 0)], to: [at('x2', 1), at('y2', 0)], matrix, stops };
  if (element.name === 'radialGradient') {
    const centre = [at('cx', 0.5), at('cy', 0.5)] as const;
    const focus = [at('fx', centre[0]), at('fy', centre[1])] as const;
    return { kind: 'radial', focus, centre, radius: at('r', 0.5), matrix, stops };
  }
  throw new Unsupported(`a fill of the kind “${element.name}”`);
}

function readStops(element: XmlElement, opacity: number): GradientStop[] {
  return element.children
    .filter((child) => child.name === 'stop')
    .map((stop) => ({
      offset: Math.min(1, Math.max(0, numberOf(stop, 'offset', 0))),
      ink: readHex(stop.attributes['stop-color'] ?? '') ?? '#000000',
      opacity: numberOf(stop, 'stop-opacity', 1) * opacity,
    }));
}

/** From gradient space to the shape's space; undefined where the shape has no area to spread a gradient over. */
function gradientMatrix(element: XmlElement, box: Box | undefined): Matrix | undefined {
  const own = readMatrix(element.attributes['gradientTransform']);
  if (element.attributes['gradientUnits'] === 'userSpaceOnUse') return own;
  if (!box || box.right === box.left || box.bottom === box.top) return undefined;
  return compose(boxMatrix(box), own);
}

/** From the unit square onto a box. */
export function boxMatrix({ left, top, right, bottom }: Box): Matrix {
  return [right - left, 0, 0, bottom - top, left, top];
}
