import { type Vision, VISION_MATRICES } from '../../core/colour/index.ts';

/** The id of the filter. */
export const VISION_FILTER = 'hevrel-vision';

/** What shows the cloth in a way of seeing: the same matrix of linear light that colours are compared by. */
export function VisionFilter({ vision }: { readonly vision: Vision }) {
  const m = VISION_MATRICES[vision];
  const rows = [0, 3, 6].map((at) => `${m[at]} ${m[at + 1]} ${m[at + 2]} 0 0`);
  return (
    <svg aria-hidden className="absolute h-0 w-0">
      <filter id={VISION_FILTER} colorInterpolationFilters="linearRGB">
        <feColorMatrix type="matrix" values={`${rows.join(' ')} 0 0 0 1 0`} />
      </filter>
    </svg>
  );
}
