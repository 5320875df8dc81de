import type { Point } from '../../core/geometry/index.ts';

/** The rim of a brush over its layer, in CSS pixels. */
export function BrushMark({ at: { x, y }, radius }: { readonly at: Point; readonly radius: number }) {
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      <circle cx={x} cy={y} r={radius} fill="none" stroke="#fff" strokeWidth="3" />
      <circle cx={x} cy={y} r={radius} fill="none" stroke="#1f2430" strokeWidth="1" />
    </svg>
  );
}
