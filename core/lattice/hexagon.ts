import type { StepKind } from './steps/stepKind.ts';

/** How much narrower than its height (or, a brick, lower than its width) the cell is whose lattice is that of regular hexagons. */
export const HEXAGON = Math.sqrt(3) / 2;
/** Cells are off by less than this share where a size was typed or rounded. */
const TOLERANCE = 1e-6;

interface HexagonCell {
  readonly width: number;
  readonly height: number;
  readonly step: { readonly kind: StepKind };
}

/** Whether the cell has the proportions of a hexagon: width to height of a half-drop, height to width of a brick. */
export function isHexagonal({ width, height, step: { kind } }: HexagonCell): boolean {
  const wanted = kind === 'brick' ? width * HEXAGON - height : height * HEXAGON - width;
  return kind !== 'square' && Math.abs(wanted) <= TOLERANCE * Math.max(width, height);
}
