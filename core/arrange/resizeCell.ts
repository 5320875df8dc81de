import type { Command, Design } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import { LARGEST_CELL_MM, proportionOf, type Repeat, SMALLEST_CELL_MM } from '../lattice/index.ts';
import { transformPlacements } from './transformPlacements.ts';

export type CellSide = 'width' | 'height';

/**
 * The repeat with one side of its cell as near to a length as it can be: a multiple of its module where it has one, within what
 * cells can be. The other side follows where the step asks for proportions, and where they are held (then to its nearest multiple).
 *
 * @param mm wished
 */
export function resizeCell(repeat: Repeat, side: CellSide, mm: number): Repeat {
  const other: CellSide = side === 'width' ? 'height' : 'width';
  const proportion = proportionOf(repeat.step);
  if (proportion !== undefined) {
    // The longer side is told by the module; whichever is typed, the other has to follow exactly.
    const [long, short]: readonly [CellSide, CellSide] = proportion > 1 ? ['height', 'width'] : ['width', 'height'];
    const share = Math.min(proportion, 1 / proportion);
    const length = fitted(repeat, side === long ? mm : mm / share, SMALLEST_CELL_MM / share);
    return { ...repeat, [long]: length, [short]: length * share };
  }
  const length = fitted(repeat, mm, SMALLEST_CELL_MM);
  if (!repeat.held) return { ...repeat, [side]: length };
  const ratio = repeat[other] / repeat[side];
  const [least, most] = [
    Math.max(SMALLEST_CELL_MM, SMALLEST_CELL_MM / ratio),
    Math.min(LARGEST_CELL_MM, LARGEST_CELL_MM / ratio),
  ];
  const kept = repeat.module ? length : Math.min(most, Math.max(least, length));
  return { ...repeat, [side]: kept, [other]: fitted(repeat, kept * ratio, SMALLEST_CELL_MM) };
}

/** The nearest length that a side of the cell can have. */
function fitted({ module }: Repeat, mm: number, least: number): number {
  const within = Math.min(LARGEST_CELL_MM, Math.max(least, mm));
  if (!module) return within;
  const [fewest, most] = [Math.ceil(least / module - 1e-9), Math.floor(LARGEST_CELL_MM / module + 1e-9)];
  return Math.min(most, Math.max(fewest, Math.round(within / module))) * module;
}

/** The repeat with a module, or none, its cell brought to the nearest multiples. */
export function setModule(repeat: Repeat, module: number | undefined): Repeat {
  const { width, height, step, held } = repeat;
  if (module === undefined) return { width, height, step, ...(held && { held }) };
  const next: Repeat = { ...repeat, module };
  if (proportionOf(step) !== undefined)
    return resizeCell(next, width < height ? 'height' : 'width', Math.max(width, height));
  return {
    ...next,
    width: fitted(next, next.width, SMALLEST_CELL_MM),
    height: fitted(next, next.height, SMALLEST_CELL_MM),
  };
}

/** The repeat with its proportions held, or let go. */
export function keepProportions({ width, height, step, module }: Repeat, isHeld: boolean): Repeat {
  return { width, height, step, ...(module !== undefined && { module }), ...(isHeld && { held: true }) };
}

/**
 * The command that gives the cell another size and all that lies in it along with it, guides too; stretched where the
 * proportions change.
 *
 * @returns undefined where a motif would become smaller, larger or more slanted than one can be
 */
export function scaleCell(design: Design, repeat: Repeat): Command | undefined {
  const [x, y] = [repeat.width / design.repeat.width, repeat.height / design.repeat.height];
  const changes = transformPlacements(design.placements, {
    ...UPRIGHT,
    scale: x,
    aspect: Math.abs(y / x - 1) < 1e-9 ? 1 : y / x,
  });
  if (!changes) return undefined;
  const commands: Command[] = [{ type: 'repeat', repeat }];
  if (design.placements.length > 0) commands.push({ type: 'change', changes });
  if (design.guides.length > 0)
    commands.push({
      type: 'guides',
      guides: design.guides.map((guide) => ({ ...guide, at: guide.at * (guide.axis === 'x' ? x : y) })),
    });
  return { type: 'all', commands };
}
