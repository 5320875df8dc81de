import { compose, IDENTITY, type Matrix } from '../geometry/index.ts';
import { type ArtworkNode, type ClipShape, type FillRule, outlineBounds, rectanglePath } from '../motif/index.ts';
import { boxMatrix } from './readPaint.ts';
import { type Definitions, numberOf, referenceIn, Unsupported } from './svgContext.ts';
import { readMatrix } from './svgMatrix.ts';
import type { XmlElement } from './xmlTree.ts';

/** What something is clipped to, each level once more: within all of them, and within a level in any of its shapes. */
export type ClipLevels = readonly (readonly ClipShape[])[];

/**
 * What a group is clipped to by a clip path or by a mask that is nothing else: flat white shapes.
 *
 * @param clipped what the group holds, whose bounds some clips are measured by
 * @throws Unsupported for what shapes cannot express
 */
export function readClips(element: XmlElement, clipped: readonly ArtworkNode[], definitions: Definitions): ClipLevels {
  const { 'clip-path': clip, mask } = element.attributes;
  return [
    ...clipLevels(referenceIn(clip), clipped, definitions),
    ...maskLevels(referenceIn(mask), clipped, definitions),
  ];
}

function clipLevels(id: string | undefined, clipped: readonly ArtworkNode[], definitions: Definitions): ClipLevels {
  if (id === undefined) return [];
  const element = definitions.get(id);
  // What is clipped to nothing is not seen.
  if (!element) return [[]];
  const units = unitsMatrix(element.attributes['clipPathUnits'], 'userSpaceOnUse', clipped);
  const shapes: ClipShape[] = [];
  const levels: (readonly ClipShape[])[] = [
    ...clipLevels(referenceIn(element.attributes['clip-path']), clipped, definitions),
  ];
  const collect = (parent: XmlElement, matrix: Matrix): void => {
    for (const child of parent.children) {
      const within = compose(matrix, readMatrix(child.attributes['transform']));
      const own = referenceIn(child.attributes['clip-path']);
      if (own !== undefined) {
        // A shape cut by another is only another level where it is the only one.
        if (element.children.length > 1) throw new Unsupported('a clip within a clip');
        for (const level of clipLevels(own, clipped, definitions))
          levels.push(level.map((shape) => ({ ...shape, matrix: compose(within, shape.matrix) })));
      }
      if (child.name === 'g') collect(child, within);
      else if (child.name === 'path' && child.attributes['visibility'] !== 'hidden')
        shapes.push(shapeOf(child, child.attributes['clip-rule'], within));
    }
  };
  collect(element, compose(readMatrix(element.attributes['transform']), units));
  return [...levels, shapes];
}

function maskLevels(id: string | undefined, clipped: readonly ArtworkNode[], definitions: Definitions): ClipLevels {
  if (id === undefined) return [];
  const element = definitions.get(id);
  if (!element) return [[]];
  const byLightness =
    element.attributes['mask-type'] !== 'alpha' && !/mask-type:\s*alpha/.test(element.attributes['style'] ?? '');
  const units = unitsMatrix(element.attributes['maskContentUnits'], 'userSpaceOnUse', clipped);
  const shapes: ClipShape[] = [];
  const collect = (parent: XmlElement, matrix: Matrix): void => {
    for (const child of parent.children) {
      const { attributes } = child;
      if (attributes['visibility'] === 'hidden') continue;
      const isGroup = child.name === 'g';
      const isFlat =
        numberOf(child, 'opacity', 1) === 1 &&
        ['filter', 'mask', 'clip-path'].every((effect) => attributes[effect] === undefined) &&
        (isGroup || (child.name === 'path' && isSolid(child, byLightness)));
      if (!isFlat) throw new Unsupported('a mask');
      const within = compose(matrix, readMatrix(attributes['transform']));
      if (isGroup) collect(child, within);
      else shapes.push(shapeOf(child, attributes['fill-rule'], within));
    }
  };
  collect(element, units);
  return [
    ...maskLevels(referenceIn(element.attributes['mask']), clipped, definitions),
    ...regionOf(element, clipped),
    shapes,
  ];
}

/** Whether a shape of a mask lets everything within it through, and nothing else. */
function isSolid({ attributes }: XmlElement, byLightness: boolean): boolean {
  const { fill = '#000000', stroke = 'none' } = attributes;
  const isFilled = byLightness ? /^#f{6}$/i.test(fill) : fill.startsWith('#');
  return isFilled && stroke === 'none' && Number(attributes['fill-opacity'] ?? 1) === 1;
}

/** The rectangle that a mask works in. The usual one is a tenth larger than what is masked all round, and cuts nothing off. */
function regionOf(element: XmlElement, clipped: readonly ArtworkNode[]): ClipLevels {
  const [x, y] = [numberOf(element, 'x', -0.1), numberOf(element, 'y', -0.1)];
  const [width, height] = [numberOf(element, 'width', 1.2), numberOf(element, 'height', 1.2)];
  const isUsual = x <= 0 && y <= 0 && x + width >= 1 && y + height >= 1;
  const isByBox = element.attributes['maskUnits'] !== 'userSpaceOnUse';
  if (isByBox && isUsual) return [];
  const path = rectanglePath({ left: x, top: y, right: x + width, bottom: y + height });
  const matrix = unitsMatrix(element.attributes['maskUnits'], 'objectBoundingBox', clipped);
  return [[{ path, rule: 'nonzero', matrix }]];
}

function unitsMatrix(units: string | undefined, usual: string, clipped: readonly ArtworkNode[]): Matrix {
  if ((units ?? usual) === 'userSpaceOnUse') return IDENTITY;
  const box = outlineBounds(clipped, IDENTITY);
  return box ? boxMatrix(box) : IDENTITY;
}

function shapeOf({ attributes }: XmlElement, rule: string | undefined, matrix: Matrix): ClipShape {
  return { path: attributes['d'] ?? '', rule: fillRule(rule), matrix };
}

/** The rule by which a path's inside is told. */
export function fillRule(text: string | undefined): FillRule {
  return text === 'evenodd' ? 'evenodd' : 'nonzero';
}
