import type { Arrival } from './imports.ts';

/** What is said of several files at once. */
export interface ArrivalGroup {
  readonly note: string;
  readonly names: readonly string[];
}

/** A font that files ask for and the studio has not got. */
export interface MissingFont {
  readonly asked: string;
  readonly standIn: string;
  /** The motifs whose words are set in the other. */
  readonly motifs: readonly string[];
}

/** More files than can be read one by one: what is said of them is said once for all that it is true of. */
const MANY = 6;

/** Whether there are so many files that what is said of them is grouped. */
export function areMany(arrivals: readonly Arrival[]): boolean {
  return arrivals.length > MANY;
}

/** Everything that is said of files that came, with those it is said of, most first. */
export function groupedNotes(arrivals: readonly Arrival[]): ArrivalGroup[] {
  const groups = new Map<string, string[]>();
  for (const { name, notes, state } of arrivals)
    for (const note of state === 'here' ? notes : []) groups.set(note, [...(groups.get(note) ?? []), name]);
  return [...groups].map(([note, names]) => ({ note, names })).sort((a, b) => b.names.length - a.names.length);
}

/** Every missing font once, with all motifs that ask for it. */
export function missingFonts(arrivals: readonly Arrival[]): MissingFont[] {
  const missing = new Map<string, MissingFont>();
  for (const { motif, fonts } of arrivals)
    for (const { asked, standIn } of motif ? fonts : []) {
      const motifs = [...(missing.get(asked)?.motifs ?? []), (motif as { id: string }).id];
      missing.set(asked, { asked, standIn, motifs: [...new Set(motifs)] });
    }
  return [...missing.values()];
}

/** How many files came, were refused, and are on their way. */
export function counts(arrivals: readonly Arrival[]): { here: number; refused: number; coming: number } {
  const of = (...states: readonly Arrival['state'][]): number =>
    arrivals.filter(({ state }) => states.includes(state)).length;
  return { here: of('here'), refused: of('refused'), coming: of('waiting', 'coming') };
}

/** The files in the order in which one asks after them: refused, on their way, here. */
export function inOrder(arrivals: readonly Arrival[]): Arrival[] {
  const rank: Readonly<Record<Arrival['state'], number>> = { refused: 0, coming: 1, waiting: 2, here: 3 };
  return [...arrivals].sort((a, b) => rank[a.state] - rank[b.state]);
}
