import type { Design } from '../../core/document/index.ts';

/** The design without one of its placements; the same where there is none to leave out. */
export function withoutPlacement(design: Design, placement: string | undefined): Design {
  return placement === undefined
    ? design
    : { ...design, placements: design.placements.filter(({ id }) => id !== placement) };
}
