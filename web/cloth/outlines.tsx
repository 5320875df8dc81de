import type { Point } from '../../core/geometry/index.ts';

interface OutlineProps {
  /** In CSS pixels of the cloth. */
  readonly corners: readonly Point[];
}

const pointsOf = (corners: readonly Point[]): string => corners.map(({ x, y }) => `${x},${y}`).join(' ');

/** The box or loop that a hand draws around motifs. */
export function DrawnLoop({ loop }: { readonly loop: readonly Point[] }) {
  if (loop.length === 0) return null;
  const points = pointsOf(loop);
  return (
    <g className="pointer-events-none" fill="#1f2430" fillOpacity="0.06" strokeWidth="1.5" data-loop>
      <polygon points={points} stroke="#fff" />
      <polygon points={points} stroke="#1f2430" strokeDasharray="5 4" />
    </g>
  );
}

/** The outline of a selected motif. */
export function SelectionOutline({ corners }: OutlineProps) {
  const points = pointsOf(corners);
  return (
    <g className="pointer-events-none" fill="none">
      <polygon points={points} stroke="#1f2430" strokeWidth="3" strokeOpacity="0.55" />
      <polygon points={points} stroke="#fff" strokeWidth="1.25" />
    </g>
  );
}

/** The box around all that is chosen, thinner than the outlines in it. */
export function FrameOutline({ corners }: OutlineProps) {
  const points = pointsOf(corners);
  return (
    <g className="pointer-events-none" fill="none" strokeWidth="1" strokeDasharray="2 3">
      <polygon points={points} stroke="#fff" />
      <polygon points={points} stroke="#1f2430" strokeDashoffset="2.5" />
    </g>
  );
}

/** A line as the hand draws it. */
export function DrawnLine({ line }: { readonly line: readonly Point[] }) {
  const points = pointsOf(line);
  return (
    <g className="pointer-events-none" fill="none" data-drawn-line>
      <polyline points={points} stroke="#fff" strokeWidth="3.5" />
      <polyline points={points} stroke="#b3402e" strokeWidth="1.5" />
    </g>
  );
}
