import {
  hexagonOf,
  indexOfCellAt,
  isRectangular,
  type Lattice,
  type LatticeIndex,
  latticeTranslate,
  proportionOf,
  type Repeat,
} from '../../core/lattice/index.ts';
import { SymmetryMarks } from './SymmetryMarks.tsx';
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

/** Signs of axes and centres would hide a smaller cell. */
const LEAST_MARKED_PX = 48;

interface StitchProps extends CellProps {
  /** Whether the axes and centres of its step are shown. */
  readonly marked: boolean;
}

/** The cell's outline: of a honeycomb the hexagon, else the part that the step shows again. */
export function CellStitch({ viewport, repeat, lattice, marked }: StitchProps) {
  const { cell, width } = cellOnScreen(viewport, lattice);
  const origin = latticeTranslate(lattice, cell);
  const isRectangle = isRectangular(lattice.cell);
  const corners = (repeat.step.honeycomb ? hexagonOf(repeat) : lattice.cell.corners)
    .map((corner) => toCss(viewport, { x: origin.x + corner.x, y: origin.y + corner.y }))
    // Upright lines are sharp on whole pixels.
    .map(({ x, y }) =>
      isRectangle && !repeat.step.honeycomb ? { x: Math.round(x) + 0.5, y: Math.round(y) + 0.5 } : { x, y },
    );
  const outline = {
    points: corners.map((corner) => `${corner.x},${corner.y}`).join(' '),
    fill: 'none',
    strokeWidth: 1.5,
    strokeDasharray: '7 5',
  };
  return (
    <g
      className="pointer-events-none"
      data-cell={
        repeat.step.honeycomb ? 'hexagon' : isRectangle ? 'rectangle' : (repeat.step.mirrored ?? repeat.step.rotated)
      }
    >
      {marked && lattice.ops.length > 1 && width >= LEAST_MARKED_PX && (
        <SymmetryMarks viewport={viewport} lattice={lattice} origin={origin} />
      )}
      <polygon {...outline} stroke="#fff" />
      <polygon {...outline} stroke="#1f2430" strokeDashoffset="6" />
    </g>
  );
}

interface EdgesProps extends CellProps {
  readonly onPress: (event: PointerEvent, edge: 'right' | 'bottom', cell: LatticeIndex) => void;
}

/** Where the cell's right and lower edges can be taken: a stitch thicker than the rest. Of two that follow each other there is one. */
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
  // Where the one side follows the other, the longer can be taken.
  const proportion = proportionOf(repeat.step);
  const taken =
    proportion === undefined || proportion === 1
      ? edges
      : edges.filter(({ edge }) => edge === (proportion < 1 ? 'right' : 'bottom'));
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
