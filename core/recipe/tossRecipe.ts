import { normaliseAngle } from '../geometry/angle.ts';

/** The three roles a motif can play in a toss, large to small. */
export const ROLES = ['hero', 'companion', 'filler'] as const;
export type Role = (typeof ROLES)[number];

/** One motif of a toss. */
export interface TossEntry {
  readonly motif: string;
  readonly role: Role;
  /** How many are laid at the most. */
  readonly count: number;
  /** Scales between which it is laid; as large as fits. */
  readonly smallest: number;
  readonly largest: number;
}

/** Which ways motifs look: one way, two (also head down), four, all round, or within a range of degrees. */
export type Directions =
  | { readonly kind: 'one' | 'two' | 'four' | 'all' }
  | { readonly kind: 'range'; readonly from: number; readonly to: number };

/** What a toss is made by; the same recipe and seed on the same cloth give the same toss. */
export interface TossRecipe {
  readonly entries: readonly TossEntry[];
  readonly directions: Directions;
  readonly flipped: boolean;
  /** mm between neighbours, echoes included; below 0 they may lie over each other by so much. */
  readonly gap: number;
  /** Share of the ground that is to show; fillers end where less would. 0 to 1. */
  readonly ground: number;
  readonly seed: number;
}

export const MOST_TOSSED = 2000;
/** Sizes, gaps and counts that make sense, for fields and doors alike. */
export const LEAST_GAP = -30;
export const MOST_GAP = 200;

/** How many make a share, 0 to below 1, of all, where there are so many others. */
export function countOfShare(share: number, others: number): number {
  return Math.min(MOST_TOSSED, Math.round((share * others) / (1 - share)));
}

/** Whether something may look that way; degrees. */
export function isAllowed(directions: Directions, rotation: number): boolean {
  const every = { one: 360, two: 180, four: 90 };
  switch (directions.kind) {
    case 'all':
      return true;
    case 'range': {
      const [low, high] = [Math.min(directions.from, directions.to), Math.max(directions.from, directions.to)];
      const above = (((rotation - low) % 360) + 360) % 360;
      return above <= high - low + 1e-6 || above >= 360 - 1e-6;
    }
    default: {
      const rest = ((rotation % every[directions.kind]) + every[directions.kind]) % every[directions.kind];
      return Math.min(rest, every[directions.kind] - rest) < 1e-6;
    }
  }
}

/** The angle that a share, from 0 to below 1, of all that are allowed means; degrees. */
export function rotationFor(directions: Directions, share: number): number {
  switch (directions.kind) {
    case 'one':
      return 0;
    case 'two':
      return share < 0.5 ? 0 : 180;
    case 'four':
      return normaliseAngle(90 * Math.floor(share * 4));
    case 'all':
      return normaliseAngle(Math.floor(share * 360));
    case 'range':
      return normaliseAngle(Math.round((directions.from + (directions.to - directions.from) * share) * 1e4) / 1e4);
  }
}
