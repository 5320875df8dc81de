import { CommandError } from './commands/commandKind.ts';
import type { Design } from './design.ts';
import { MOST_COLOURWAYS, MOST_GUIDES, MOST_INKS, MOST_LAYERS, MOST_PLACEMENTS } from './limits.ts';

const COUNTED = [
  ['placements', MOST_PLACEMENTS, 'motifs on its cloth'],
  ['inks', MOST_INKS, 'inks'],
  ['colourways', MOST_COLOURWAYS, 'colourways'],
  ['layers', MOST_LAYERS, 'layers'],
  ['guides', MOST_GUIDES, 'guides'],
] as const;

/** @throws CommandError where a change made a design hold more than it can; one that was over a limit before may shrink */
export function checkLimits(before: Design, after: Design): void {
  for (const [list, most, what] of COUNTED) {
    if (after[list].length > most && after[list].length > before[list].length)
      throw new CommandError(`a design has at most ${most} ${what}`);
  }
}

/** @throws CommandError where a design that comes from elsewhere holds more than it can */
export function requireWithinLimits(design: Design): void {
  checkLimits({ ...design, placements: [], inks: [], colourways: [], layers: [], guides: [] }, design);
}
