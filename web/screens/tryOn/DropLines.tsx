import type { Repeat } from '../../../core/lattice/index.ts';
import type { ArtworkNode } from '../../../core/motif/index.ts';
import { type TryOn, wallProduct } from '../../../core/tryon/index.ts';
import { papered } from './rollPlan.ts';

interface Props {
  readonly tryOn: TryOn;
  readonly repeat: Repeat | undefined;
  /** CSS pixels to a unit of the scene. */
  readonly unit: number;
}

/** The drops of paper on the wall, each with the number of the roll that it is cut from. */
export function DropLines({ tryOn, repeat, unit }: Props) {
  const { wall, plan } = papered(tryOn, repeat);
  const { product, drawing } = wallProduct(wall);
  const face = product.pieces[0]?.face;
  if (!plan || face?.kind !== 'flat') return null;
  const [top, height] = [face.y * unit, wall.height * unit];
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      aria-hidden
      data-drops={plan.drops.length}
    >
      {/* What stands before the wall is not drawn over. */}
      <mask
        id="wall-in-sight"
        maskUnits="userSpaceOnUse"
        x="0"
        y="0"
        width={product.width * unit}
        height={product.height * unit}
      >
        <rect width={product.width * unit} height={product.height * unit} fill="#fff" />
        <path d={drawing.over.nodes.map(pathOf).join('')} fill="#000" transform={`scale(${unit})`} />
      </mask>
      {plan.drops.map(({ x, width, roll }, n) => {
        const left = (face.x + x) * unit;
        const middle = left + (width * unit) / 2;
        return (
          <g key={n}>
            <g mask="url(#wall-in-sight)">
              {n > 0 && <line x1={left} x2={left} y1={top} y2={top + height} stroke="#fff" strokeWidth="2.5" />}
              {n > 0 && (
                <line
                  x1={left}
                  x2={left}
                  y1={top}
                  y2={top + height}
                  stroke="#1f2430"
                  strokeWidth="1"
                  strokeDasharray="6 4"
                />
              )}
            </g>
            <circle cx={middle} cy={top + 14} r="10" fill="#fff" stroke="#1f2430" />
            <text x={middle} y={top + 18} textAnchor="middle" fontSize="11" fill="#1f2430">
              {roll}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

const pathOf = (node: ArtworkNode): string => (node.kind === 'path' ? node.path : '');
