import { compose, type Matrix } from '../geometry/index.ts';
import { pathBounds, type View } from '../motif/index.ts';
import { contentMatrix, tileOf } from './readPattern.ts';
import { type Definitions, referenceIn, Unsupported } from './svgContext.ts';
import { readMatrix } from './svgMatrix.ts';
import { partDocument } from './svgPart.ts';
import { parseXml, type XmlElement } from './xmlTree.ts';

/** One tile of a drawing that repeats. */
export interface SvgTile {
  /** CSS pixels, 96 to the inch. */
  readonly width: number;
  readonly height: number;
  /** A drawing of the tile alone in so many whole pixels, all of which it fills. */
  draw(across: number, down: number): string;
}

/** A pattern and how it lies on the page. */
interface Laid {
  readonly pattern: XmlElement;
  readonly tile: View;
  readonly content: Matrix;
  readonly toPixels: Matrix;
  /** Of what it fills, square pixels. */
  readonly area: number;
}

/** A pattern that fills less of the page is part of what is drawn there. */
const LEAST_FILLED = 0.25;
/** How far from a right angle a tile's sides may be, as the cosine. */
const UPRIGHT = 1e-4;

/**
 * The tile of normalised SVG: of the pattern that fills most of the page, or where none fills a quarter of it the page itself.
 *
 * @throws Unsupported where the tile is empty, or its sides are not at right angles
 */
export function readTile(text: string): SvgTile {
  const root = parseXml(text);
  const defs = root.children.filter(({ name }) => name === 'defs').flatMap(({ children }) => children);
  const definitions: Definitions = new Map(defs.map((one) => [one.attributes['id'] ?? '', one]));
  const page = pageOf(root);
  const laid = root.children.flatMap((child) => patternsIn(child, page.toPixels, definitions));
  const [most] = laid.sort((a, b) => b.area - a.area);
  if (most && most.area >= LEAST_FILLED * page.width * page.height) return patternTile(most, definitions);
  const drawn = root.children.filter(({ name }) => name !== 'defs');
  return tileIn(page.view, drawn, definitions, page.width, page.height);
}

/** The page as normalised SVG has it: so many pixels, which show what lies in its view. */
function pageOf({ attributes }: XmlElement): { view: View; width: number; height: number; toPixels: Matrix } {
  const [wide, high] = [Number(attributes['width']), Number(attributes['height'])];
  const [x = 0, y = 0, width = wide, height = high] = (attributes['viewBox'] ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  if (!(wide > 0 && high > 0 && width > 0 && height > 0)) throw new Unsupported('a drawing whose page is empty');
  return {
    view: { x, y, width, height },
    width: wide,
    height: high,
    toPixels: [wide / width, 0, 0, high / height, 0, 0],
  };
}

function patternTile({ pattern, tile, content, toPixels }: Laid, definitions: Definitions): SvgTile {
  const [a, b, c, d] = toPixels;
  const [across, down] = [Math.hypot(a, b), Math.hypot(c, d)];
  if (!(tile.width > 0 && tile.height > 0 && across > 0 && down > 0))
    throw new Unsupported('filled with a pattern whose tile is empty');
  if (Math.abs(a * c + b * d) > UPRIGHT * across * down)
    throw new Unsupported('filled with a slanted pattern, whose tile has no right angles');
  const contents: XmlElement = group(content, pattern.children);
  return tileIn(tile, [contents], definitions, tile.width * across, tile.height * down);
}

function tileIn(
  view: View,
  elements: readonly XmlElement[],
  definitions: Definitions,
  width: number,
  height: number,
): SvgTile {
  return {
    width,
    height,
    draw: (across, down) => {
      const [kx, ky] = [across / view.width, down / view.height];
      const fitted = group([kx, 0, 0, ky, -view.x * kx, -view.y * ky], elements);
      return partDocument([fitted], definitions)({ x: 0, y: 0, width: across, height: down });
    },
  };
}

function group(matrix: Matrix, children: readonly XmlElement[]): XmlElement {
  return { name: 'g', attributes: { transform: `matrix(${matrix.join(' ')})` }, children: [...children], text: '' };
}

/** Every pattern that fills something. */
function patternsIn(element: XmlElement, above: Matrix, definitions: Definitions): Laid[] {
  if (element.name === 'defs') return [];
  const toPixels = compose(above, readMatrix(element.attributes['transform']));
  const below = element.children.flatMap((child) => patternsIn(child, toPixels, definitions));
  const pattern = definitions.get(referenceIn(element.attributes['fill']) ?? '');
  const outline = pathBounds(element.attributes['d'] ?? '');
  if (pattern?.name !== 'pattern' || !outline) return below;
  const [w, h] = [outline.right - outline.left, outline.bottom - outline.top];
  const tile = tileOf(pattern, outline);
  const [a, b, c, d] = toPixels;
  const own: Laid = {
    pattern,
    tile,
    content: contentMatrix(pattern, tile, [w, h]),
    toPixels: compose(toPixels, readMatrix(pattern.attributes['patternTransform'])),
    area: w * h * Math.abs(a * d - b * c),
  };
  return [own, ...below];
}
