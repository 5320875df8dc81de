import { boxAround, type Point } from '../../core/geometry/index.ts';
import { applyOpToPoint, type Lattice, symmetryElements } from '../../core/lattice/index.ts';
import { toCss, type Viewport } from './viewport.ts';

interface MarksProps {
  readonly viewport: Viewport;
  readonly lattice: Lattice;
  /** Of the cell that is outlined, mm. */
  readonly origin: Point;
}

/** The signs of crystallographic diagrams, as corners about a middle: a lens, a triangle, a square, a hexagon. */
const SIGNS: Readonly<Record<number, readonly Point[]>> = {
  2: polygon([0, 90, 180, 270], [7, 3.5]),
  3: polygon([-90, 30, 150], [7]),
  4: polygon([45, 135, 225, 315], [6.5]),
  6: polygon([0, 60, 120, 180, 240, 300], [6.5]),
};

function polygon(angles: readonly number[], radii: readonly number[]): Point[] {
  return angles.map((angle, n) => {
    const radius = radii[n % radii.length] ?? 0;
    const radians = (angle * Math.PI) / 180;
    return { x: radius * Math.cos(radians), y: radius * Math.sin(radians) };
  });
}

/** Mirrors (lines with arrowheads to both sides), glides (dashed) and centres of rotation of the cell and all that its step shows around it. */
export function SymmetryMarks({ viewport, lattice, origin }: MarksProps) {
  const { ops, cell } = lattice;
  const window = boxAround(ops.flatMap((op) => cell.corners.map((corner) => applyOpToPoint(op, corner))));
  const { axes, centres } = symmetryElements(lattice, window);
  const onScreen = ({ x, y }: Point): Point => toCss(viewport, { x: x + origin.x, y: y + origin.y });
  return (
    <g data-axes={axes.length} data-centres={centres.length}>
      {axes.map(({ from, to, glides }) => {
        const [a, b] = [onScreen(from), onScreen(to)];
        const line = `M${a.x} ${a.y}L${b.x} ${b.y}`;
        return (
          <g key={line} fill="#3e5c76" strokeDasharray={glides ? '2 6' : undefined}>
            <path d={line} stroke="#fff" strokeWidth={glides ? 3 : 4} strokeOpacity="0.6" />
            <path d={line} stroke="#3e5c76" strokeWidth={glides ? 1.5 : 1} />
            {!glides && <path d={heads(a, b)} />}
          </g>
        );
      })}
      {centres.map((centre) => {
        const { x, y } = onScreen(centre);
        const points = (SIGNS[centre.order] ?? []).map((corner) => `${x + corner.x},${y + corner.y}`).join(' ');
        return (
          <polygon
            key={points}
            points={points}
            fill="#3e5c76"
            stroke="#fff"
            strokeWidth="1.25"
            data-order={centre.order}
          />
        );
      })}
    </g>
  );
}

/** Arrowheads a quarter of the way along a mirror, pointing away from it to both sides. */
function heads(a: Point, b: Point): string {
  const length = Math.max(1e-9, Math.hypot(b.x - a.x, b.y - a.y));
  const along = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const [x, y] = [a.x + (b.x - a.x) / 4, a.y + (b.y - a.y) / 4];
  return [1, -1]
    .map((side) => {
      const out = { x: -along.y * side, y: along.x * side };
      const at = (far: number, across: number): string =>
        `${x + far * out.x + across * along.x} ${y + far * out.y + across * along.y}`;
      return `M${at(4, -4)}L${at(9, 0)}L${at(4, 4)}Z`;
    })
    .join('');
}
