import {
  type CellEdge,
  edgeReflections,
  hexagonOf,
  indexOfCellAt,
  type Lattice,
  type LatticeIndex,
  latticeTranslate,
  type Repeat,
} from '../../core/lattice/index.ts';
import { TEXTS } from './texts.ts';
import { middle, toCss, toMm, type Viewport } from './viewport.ts';

/** The cell nearest the middle of the window, as it lies on screen. */
export function cellOnScreen(
  viewport: Viewport,
  lattice: Lattice,
): { cell: LatticeIndex; x: number; y: number; width: number; height: number } {
  const cell = indexOfCellAt(lattice, toMm(viewport, middle(viewport)));
  const origin = latticeTranslate(lattice, cell);
  const a = toCss(viewport, origin);
  const b = toCss(viewport, { x: origin.x + lattice.cell.width, y: origin.y + lattice.cell.height });
  return { cell, x: a.x, y: a.y, width: b.x - a.x, height: b.y - a.y };
}

interface CellProps {
  readonly viewport: Viewport;
  readonly repeat: Repeat;
  readonly lattice: Lattice;
}

/** The cell's outline: of a honeycomb the hexagon, of a mirrored step the cell and, fainter, what is reflected beside it. */
export function CellStitch({ viewport, repeat, lattice }: CellProps) {
  const { cell, x, y, width, height } = cellOnScreen(viewport, lattice);
  const origin = latticeTranslate(lattice, cell);
  const corners = repeat.step.honeycomb
    ? hexagonOf(repeat).map((corner) => toCss(viewport, { x: origin.x + corner.x, y: origin.y + corner.y }))
    : [
        { x, y },
        { x: x + width, y },
        { x: x + width, y: y + height },
        { x, y: y + height },
      ].map((corner) => ({ x: Math.round(corner.x) + 0.5, y: Math.round(corner.y) + 0.5 }));
  const outline = {
    points: corners.map((corner) => `${corner.x},${corner.y}`).join(' '),
    fill: 'none',
    strokeWidth: 1.5,
    strokeDasharray: '7 5',
  };
  return (
    <g className="pointer-events-none" data-cell={repeat.step.honeycomb ? 'hexagon' : 'rectangle'}>
      {lattice.ops.length > 1 && <MirrorAxes lattice={lattice} x={x} y={y} width={width} height={height} />}
      <polygon {...outline} stroke="#fff" />
      <polygon {...outline} stroke="#1f2430" strokeDashoffset="6" />
    </g>
  );
}

interface AxesProps {
  readonly lattice: Lattice;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The edges at which the cell is reflected: a line, with an arrowhead to each side; of a glide a dashed one. */
function MirrorAxes({ lattice, x, y, width, height }: AxesProps) {
  const head = (px: number, py: number, dx: number, dy: number): string =>
    `M${px + 4 * dx} ${py + 4 * dy}l${5 * dx + 4 * dy} ${5 * dy + 4 * dx}l${-8 * dy} ${-8 * dx}Z`;
  const upright = (at: number): [string, string] => [
    `M${at} ${y}V${y + height}`,
    head(at, y + height / 4, 1, 0) + head(at, y + height / 4, -1, 0),
  ];
  const level = (at: number): [string, string] => [
    `M${x} ${at}H${x + width}`,
    head(x + width / 4, at, 0, 1) + head(x + width / 4, at, 0, -1),
  ];
  const shapes: Readonly<Record<CellEdge, () => [string, string]>> = {
    left: () => upright(x),
    right: () => upright(x + width),
    top: () => level(y),
    bottom: () => level(y + height),
  };
  const axes = edgeReflections(lattice);
  return (
    <g fill="#3e5c76" data-mirror-axes={axes.length}>
      {axes.map(({ edge, glides }) => {
        const [axis, heads] = shapes[edge]();
        const path = glides ? axis : axis + heads;
        return (
          <g key={edge} strokeDasharray={glides ? '2 6' : undefined}>
            <path d={path} stroke="#fff" strokeWidth="4" strokeOpacity="0.7" />
            <path d={path} stroke="#3e5c76" strokeWidth={glides ? 2 : 1} />
          </g>
        );
      })}
    </g>
  );
}

interface EdgesProps extends CellProps {
  readonly onPress: (event: PointerEvent, edge: 'right' | 'bottom', cell: LatticeIndex) => void;
}

/** Where the cell's right and lower edges can be taken: a stitch thicker than the rest. A hexagon has but one of them. */
export function CellEdges({ viewport, repeat, lattice, onPress }: EdgesProps) {
  const { cell, x, y, width, height } = cellOnScreen(viewport, lattice);
  const edges = [
    {
      edge: 'right' as const,
      left: x + width - 5,
      top: y + height / 2 - 16,
      className: 'h-8 w-2.5 cursor-ew-resize',
      label: TEXTS.dragToChangeTheCells,
    },
    {
      edge: 'bottom' as const,
      left: x + width / 2 - 16,
      top: y + height - 5,
      className: 'h-2.5 w-8 cursor-ns-resize',
      label: TEXTS.dragToChangeTheCellsHeight,
    },
  ];
  if (width < 48 || height < 48) return null;
  const taken = repeat.step.honeycomb
    ? edges.filter(({ edge }) => edge === (repeat.step.kind === 'brick' ? 'right' : 'bottom'))
    : edges;
  return taken.map(({ edge, left, top, className, label }) => (
    <div
      key={edge}
      title={label}
      data-own-press
      data-edge={edge}
      style={{ left, top }}
      className={`absolute rounded-full border border-white bg-ink ${className}`}
      onPointerDown={(event) => onPress(event.nativeEvent, edge, cell)}
    />
  ));
}
