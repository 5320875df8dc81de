import { type Lines, roughness } from './roughness.ts';

const BLOCK = 8;

/** How much rougher a picture is between blocks of eight pixels than within them: about 1 where it was never compressed with loss. */
export function blockiness(lines: Lines): number {
  let [between, betweens, within, withins] = [0, 0, 0, 0];
  for (let place = BLOCK; place <= lines.length - BLOCK; place += 1) {
    const values = roughness(lines, 3, 0, 0, place);
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    if (place % BLOCK === 0) {
      between += mean;
      betweens += 1;
    } else {
      within += mean;
      withins += 1;
    }
  }
  // What rounding alone makes is taken for nothing.
  return betweens === 0 || withins === 0 ? 1 : (between / betweens + 1) / (within / withins + 1);
}
