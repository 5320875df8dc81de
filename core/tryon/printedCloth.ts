import {
  boxAround,
  compose,
  cornersOfBox,
  invert,
  type Point,
  rotationMatrix,
  scalingMatrix,
  transform,
} from '../geometry/index.ts';
import { indicesTouching, latticeOf, latticeTranslate, type Repeat } from '../lattice/index.ts';
import type { PieceMask, PrintedCloth } from './layPlan.ts';
import type { Product } from './product.ts';
import { fillOf, sourceKey, type TryOn } from './tryOn.ts';

/** What rounding does to a place, mm, at the most. */
const ROUNDING = 1e-6;

/**
 * The cloth that pieces are cut from so that each shows the pattern as it does in a try-on. The masks' grain is upright, as on the cloth.
 *
 * @param width of the cloth, mm
 * @returns undefined where the pieces differ in pattern, size or angle: no one cloth shows them all
 */
export function printedCloth(
  tryOn: TryOn,
  product: Product,
  repeat: Repeat,
  masks: readonly PieceMask[],
  width: number,
): PrintedCloth | undefined {
  const fills = masks.map(({ id }) => ({ id, fill: fillOf(tryOn, id) }));
  const [some] = fills;
  if (!some) return undefined;
  const { scale, rotation, source } = some.fill;
  const isOne = fills.every(
    ({ fill }) => fill.scale === scale && fill.rotation === rotation && sourceKey(fill.source) === sourceKey(source),
  );
  if (!isOne) return undefined;
  // From mm of the pattern to mm of the cloth, but for where it begins.
  const onto = compose(rotationMatrix(rotation), scalingMatrix(scale, scale));
  const back = invert(onto);
  if (!back) return undefined;
  const lattice = latticeOf(repeat);
  /** From a piece's first cell to where its pattern's own (0, 0) lies, mm of the cloth. */
  const origins = new Map(
    masks.map(({ id, x, y }): [string, Point] => {
      const piece = product.pieces.find((one) => one.id === id);
      const fill = fillOf(tryOn, id);
      const datum = piece?.datum ?? { x: 0, y: 0 };
      const hung = transform(rotationMatrix(-(piece?.grain ?? 0)), { x: datum.x + fill.x, y: datum.y + fill.y });
      return [id, { x: hung.x - x, y: hung.y - y }];
    }),
  );
  const originOf = (id: string): Point => origins.get(id) ?? { x: 0, y: 0 };
  return {
    places(first, mask) {
      const [there, here] = [originOf(first.id), originOf(mask.id)];
      const some = { x: first.x + there.x - here.x, y: first.y + there.y - here.y };
      return (from, to) => {
        const window = { left: -some.x, right: width - some.x, top: from - some.y, bottom: to - some.y };
        const seen = boxAround(cornersOfBox(window).map((corner) => transform(back, corner)));
        const places = indicesTouching(lattice, { left: 0, top: 0, right: 0, bottom: 0 }, seen).map((step) => {
          const by = transform(onto, latticeTranslate(lattice, step));
          return { x: some.x + by.x, y: some.y + by.y };
        });
        return places
          .filter(({ x, y }) => x > -ROUNDING && x <= width && y > from - ROUNDING && y < to)
          .map(({ x, y }) => ({ x: Math.max(0, x), y: Math.max(0, y) }))
          .sort((p, q) => p.y - q.y || p.x - q.x);
      };
    },
  };
}
