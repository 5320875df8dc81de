import { type Hex, hexOfOklch, keepOrder, type Oklch, oklchOf } from '../colour/index.ts';
import { colourwayOf, type Design, inksOfGround } from '../document/index.ts';

/** An ink as proposals see it. */
export interface ProposedInk extends Oklch {
  readonly id: string;
  readonly hex: Hex;
  readonly locked: boolean;
  readonly isGround: boolean;
}

/** Other colours for inks, in the same order; whether they can be printed and keep their order is seen to afterwards. */
export type Proposal = (inks: readonly ProposedInk[]) => readonly Oklch[];

/** Inks that were so far apart in lightness stay so at least. */
const LEAST_GAP = 0.03;

/** The inks of a design as they are in a colourway. */
export function proposedInks(design: Design, colourway?: string): readonly ProposedInk[] {
  const { colours } = colourwayOf(design, colourway);
  const ground = inksOfGround(design.ground);
  return design.inks.map(({ id, locked = false }) => {
    const hex = colours[id] as Hex;
    return { id, hex, locked, isGround: ground.includes(id), ...oklchOf(hex) };
  });
}

/**
 * Colours that a proposal comes to: in sRGB, locked inks as they are, and every ink lighter than another as light or
 * lighter still, since that is what a drawing is read by.
 *
 * @param frees inks that may leave the order, such as the ground where it is exchanged
 */
export function propose(
  inks: readonly ProposedInk[],
  proposal: Proposal,
  frees: (ink: ProposedInk) => boolean = () => false,
): Readonly<Record<string, Hex>> {
  const wished = proposal(inks);
  const rising = inks
    .map((ink, n) => ({ ink, wish: wished[n] ?? ink }))
    .filter(({ ink }) => ink.locked || !frees(ink))
    .sort((a, b) => a.ink.l - b.ink.l);
  // Gaps are taken out before the order is restored and put in again after, so that no two inks become one.
  let offset = 0;
  const offsets = rising.map(({ ink }, n) => {
    if (n > 0) offset += Math.min(LEAST_GAP, ink.l - (rising[n - 1]?.ink.l ?? 0));
    return offset;
  });
  const kept = keepOrder(
    rising.map(({ ink, wish }, n) => (ink.locked ? ink.l : wish.l) - (offsets[n] as number)),
    rising.map(({ ink }) => ink.locked),
  );
  const lightness = new Map(rising.map(({ ink }, n) => [ink.id, (kept[n] as number) + (offsets[n] as number)]));
  return Object.fromEntries(
    inks.map((ink, n) => {
      const wish = wished[n] ?? ink;
      return [ink.id, ink.locked ? ink.hex : hexOfOklch({ ...wish, l: lightness.get(ink.id) ?? wish.l })];
    }),
  );
}
