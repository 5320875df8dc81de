import type { Design } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { PaintWish } from './paintMessages.ts';
import { paintedWindow, type Viewport } from './viewport.ts';

/** Share of the window that is painted around it, so that panning has something to show. */
const MARGIN = 0.4;

/** What to paint for a viewport: the cell, or what is seen with a margin, without the placements that move. */
export function orderFor(
  viewport: Viewport,
  design: Design,
  motifs: readonly Motif[],
  moving: readonly string[],
): PaintWish {
  const { plan } = viewport;
  const seen = paintedWindow(viewport);
  const mx = Math.round((seen.right - seen.left) * MARGIN);
  const my = Math.round((seen.bottom - seen.top) * MARGIN);
  return {
    design,
    motifs,
    plan,
    window:
      plan.kind === 'window'
        ? { left: seen.left - mx, top: seen.top - my, right: seen.right + mx, bottom: seen.bottom + my }
        : undefined,
    moving,
  };
}

/** Whether what was painted for one order shows all that another asks for. */
export function isStillGood(painted: PaintWish, wanted: PaintWish, viewport: Viewport): boolean {
  return (
    painted.design === wanted.design &&
    painted.moving === wanted.moving &&
    painted.motifs === wanted.motifs &&
    painted.plan.kind === wanted.plan.kind &&
    painted.plan.scaleX === wanted.plan.scaleX &&
    painted.plan.scaleY === wanted.plan.scaleY &&
    painted.plan.reduction === wanted.plan.reduction &&
    (painted.window === undefined || contains(painted.window, paintedWindow(viewport)))
  );
}

function contains(outer: Box, inner: Box): boolean {
  return (
    outer.left <= inner.left && outer.top <= inner.top && outer.right >= inner.right && outer.bottom >= inner.bottom
  );
}
