/** How much narrower than its height (or, a brick, lower than its width) the cell is whose lattice is that of regular hexagons. */
export const HEXAGON = Math.sqrt(3) / 2;
