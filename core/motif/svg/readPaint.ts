import { readHex } from '../../colour/index.ts';
import { compose, type Matrix } from '../../geometry/index.ts';
import type { GradientStop, Paint } from '../artwork.ts';
import { pathBounds } from '../pathData.ts';
import { readMatrix } from './svgMatrix.ts';
import type { XmlElement } from './xmlTree.ts';

/** Everything with an id in `defs`. */
export type Definitions = ReadonlyMap<string, XmlElement>;

/** What the artwork model cannot hold, as a phrase; the whole drawing is then rendered instead. */
export class Unsupported extends Error {}

/** The id in `url(#id)`. */
export function referenceIn(text: string | undefined): string | undefined {
  return /^url\(#(.+)\)$/.exec(text ?? '')?.[1];
}

/** A number attribute with what it is when missing. */
export function numberOf(element: XmlElement, name: string, missing: number): number {
  const value = Number(element.attributes[name] ?? missing);
  return Number.isFinite(value) ? value : missing;
}

/**
 * A fill or stroke of normalised SVG, or undefined where nothing is painted.
 *
 * @param path the shape it paints, whose bounds are the unit square of most gradients
 * @throws Unsupported for what the model cannot hold
 */
export function readPaint(
  text: string | undefined,
  opacity: number,
  path: string,
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
  if (element.name === 'pattern') throw new Unsupported('a pattern fill');
  if ((element.attributes['spreadMethod'] ?? 'pad') !== 'pad') throw new Unsupported('a repeating gradient');
  const matrix = gradientMatrix(element, path);
  if (!matrix) return undefined;
  const stops = readStops(element, opacity);
  const only = stops.at(-1);
  if (!only) return undefined;
  if (stops.length === 1) return { kind: 'ink', ink: only.ink, opacity: only.opacity };
  const at = (name: string, missing: number): number => numberOf(element, name, missing);
  if (element.name === 'linearGradient') {
    return { kind: 'linear', from: [at('x1', 0), at('y1', 0)], to: [at('x2', 1), at('y2', 0)], matrix, stops };
  }
  if (element.name === 'radialGradient') {
    const centre = [at('cx', 0.5), at('cy', 0.5)] as const;
    return {
      kind: 'radial',
      focus: [at('fx', centre[0]), at('fy', centre[1])],
      centre,
      radius: at('r', 0.5),
      matrix,
      stops,
    };
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
function gradientMatrix(element: XmlElement, path: string): Matrix | undefined {
  const own = readMatrix(element.attributes['gradientTransform']);
  if (element.attributes['gradientUnits'] === 'userSpaceOnUse') return own;
  const box = pathBounds(path);
  if (!box || box.right === box.left || box.bottom === box.top) return undefined;
  return compose([box.right - box.left, 0, 0, box.bottom - box.top, box.left, box.top], own);
}
