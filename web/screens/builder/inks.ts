import type { DesignMotif } from '../../../contract/index.ts';
import { channels, type Hex } from '../../../core/colour/index.ts';

/** The drawer's inks, those of most motifs first. */
export function mostUsedInks(motifs: readonly DesignMotif[]): Hex[] {
  const uses = new Map<Hex, number>();
  for (const { inks } of motifs) if (inks.length <= 8) for (const ink of inks) uses.set(ink, (uses.get(ink) ?? 0) + 1);
  return [...uses].sort((a, b) => b[1] - a[1]).map(([ink]) => ink);
}

/** The ink of most motifs that is dark enough for a pale ground. */
export function inkThatShows(inks: readonly Hex[]): Hex {
  return inks.find((ink) => Math.max(...channels(ink)) < 200) ?? '#b3402e';
}
