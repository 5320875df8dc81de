import type { ComponentType } from 'react';
import { useMemo } from 'react';
import { type Frame, MIDDLE, pointInFrame, type SnapLine } from '../../core/arrange/index.ts';
import { cornersAround, type Placement } from '../../core/document/index.ts';
import { boxAround, type Point, type Box } from '../../core/geometry/index.ts';
import {
  hexagonOf,
  indexOfCellAt,
  type Lattice,
  type LatticeIndex,
  latticeOf,
  latticeTranslate,
  nearestInstanceIndex,
  type Repeat,
} from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { formatNumber } from '../../core/units/index.ts';
import { useEditor } from './editorContext.ts';
import { useStore } from '../ui/store.ts';
import type { ClothParts } from './clothParts.ts';
import type { DragReadout } from './gestures/gestureContext.ts';
import { FindingMarks } from './FindingMarks.tsx';
import { MarkPins } from './MarkPins.tsx';
import { marksOf, takeMark } from './marks.ts';
import { GuidePins, GuideLines } from './Guides.tsx';
import { PileList } from './PileList.tsx';
import { Pins } from './Pins.tsx';
import { middle, toCss, toMm, type Viewport } from './viewport.ts';
import { TEXTS } from './texts.ts';

const HERE: Point = { x: 0, y: 0 };
/** Of more than this the common frame says enough. */
const MOST_OUTLINES = 120;

/** What is drawn over the cloth: the cell's stitches, guides, the pins of what is chosen, numbers at the pointer. */
/** What the label beside the selection is told. */
export interface SelectionLabelProps {
  readonly chosen: readonly { placement: Placement; motif: Motif }[];
  /** The selection, in CSS pixels of the cloth. */
  readonly box: Box;
  readonly viewport: Viewport;
}

interface OverlayProps extends ClothParts {
  readonly Label: ComponentType<SelectionLabelProps>;
}

export function ClothOverlay({ view, controller, Label }: OverlayProps) {
  const editor = useEditor();
  const viewport = useStore({ subscribe: view.subscribe, getState: view.getViewport });
  const { design } = useStore(editor.session);
  // The editor holds both; these states only say that they have changed.
  useStore(editor.selection);
  useStore(editor.motifs);
  const point = useStore(editor.anchor);
  const note = useStore(controller.note);
  const panning = useStore(controller.panning);
  const drawing = useStore(controller.drawing);
  const loop = useStore(controller.lasso);
  const drawn = useStore(controller.line);
  const lines = useStore(controller.snapLines);
  const guidesShown = useStore(editor.guidesShown);
  const holes = useStore(editor.holes);
  const findings = useStore(editor.findings);
  const taken = useStore(editor.mark);
  const lattice = useMemo(() => latticeOf(design.repeat), [design.repeat]);
  const marks = useMemo(() => marksOf(lattice, holes, findings), [lattice, holes, findings]);
  const meant = editor.selectedInstances.flatMap((placement) => {
    const motif = editor.motif(placement.motif);
    return motif ? [{ placement, motif }] : [];
  });
  const { frame } = editor;
  const shift = frame ? shiftIntoView(lattice, viewport, frame, note !== undefined) : HERE;
  const onScreen = (mm: Point): Point => toCss(viewport, { x: mm.x + shift.x, y: mm.y + shift.y });
  const corners =
    frame &&
    (
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map(([u, v]) => onScreen(pointInFrame(frame, { u, v })));
  const shown = guidesShown ? design.guides : [];

  return (
    <>
      <svg
        className={`absolute inset-0 h-full w-full ${panning ? 'cursor-grabbing' : drawing ? 'cursor-crosshair' : ''}`}
        aria-hidden
      >
        <CellStitch viewport={viewport} repeat={design.repeat} lattice={lattice} />
        <GuideLines guides={shown} viewport={viewport} lattice={lattice} />
        <FindingMarks marks={marks} viewport={viewport} taken={taken} />
        {meant.slice(0, MOST_OUTLINES).map(({ placement, motif }) => (
          <ChosenOutline key={placement.id} corners={cornersOf(placement, motif).map(onScreen)} />
        ))}
        {meant.length > 1 && corners && <FrameOutline corners={corners} />}
        <DrawnLoop loop={loop} />
        <DrawnLine line={drawn} />
        <CaughtLines lines={lines} viewport={viewport} />
      </svg>
      <MarkPins marks={marks} viewport={viewport} taken={taken} onTake={(mark, at) => takeMark(editor, mark, at)} />
      {!editor.inside && (
        <CellEdges
          viewport={viewport}
          repeat={design.repeat}
          lattice={lattice}
          onPress={(event, edge, cell) => controller.pressEdge(event, edge, cell)}
        />
      )}
      <GuidePins
        guides={shown}
        lattice={lattice}
        {...cellOnScreen(viewport, lattice)}
        scale={toCss(viewport, { x: 1, y: 1 }).x - toCss(viewport, HERE).x}
        onPress={(event, guide) => controller.pressGuide(event, guide)}
      />
      {frame && (
        <Pins
          at={(share) => onScreen(pointInFrame(frame, share))}
          point={point}
          onPin={(event, pin) => controller.pressPin(event, pin, shift)}
          onTurn={(event) => controller.pressTurn(event, shift)}
          onPoint={(event) => controller.pressPoint(event, shift)}
          onPointHome={() => editor.anchor.set(MIDDLE)}
        />
      )}
      {corners && !note && <Label chosen={meant} box={boxAround(corners)} viewport={viewport} />}
      {note && <PointerNote {...note} />}
      <PileList controller={controller} />
    </>
  );
}

/**
 * How far aside of what is meant it is shown, mm: not at all, or where its middle is out of sight as many repeats as bring it
 * nearest the window's middle. What is in the hand stays there as long as any of it is seen.
 */
function shiftIntoView(lattice: Lattice, viewport: Viewport, frame: Frame, inHand: boolean): Point {
  const seen = (
    inHand
      ? [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ]
      : [[0.5, 0.5]]
  ).map(([u = 0, v = 0]) => toCss(viewport, pointInFrame(frame, { u, v })));
  const { left, top, right, bottom } = boxAround(seen);
  if (right > 0 && bottom > 0 && left < viewport.width && top < viewport.height) return HERE;
  return latticeTranslate(
    lattice,
    nearestInstanceIndex(lattice, pointInFrame(frame, MIDDLE), toMm(viewport, middle(viewport))),
  );
}

function cornersOf(placement: Placement, motif: Motif): Point[] {
  return cornersAround(placement, motif).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y }));
}

/** The cell nearest the middle of the window, as it lies on screen. */
function cellOnScreen(
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
function CellStitch({ viewport, repeat, lattice }: CellProps) {
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

/** The edges at which the cell is reflected: a line, with an arrowhead to each side. */
function MirrorAxes({ lattice, x, y, width, height }: AxesProps) {
  const across = lattice.ops.some(({ reflected, rotation }) => reflected && rotation === 0);
  const down = lattice.ops.some(({ reflected, rotation }) => reflected && rotation === 180);
  const head = (px: number, py: number, dx: number, dy: number): string =>
    `M${px + 4 * dx} ${py + 4 * dy}l${5 * dx + 4 * dy} ${5 * dy + 4 * dx}l${-8 * dy} ${-8 * dx}Z`;
  const paths = [
    ...(across
      ? [x, x + width].map(
          (at) => `M${at} ${y}V${y + height}${head(at, y + height / 4, 1, 0)}${head(at, y + height / 4, -1, 0)}`,
        )
      : []),
    ...(down
      ? [y, y + height].map(
          (at) => `M${x} ${at}H${x + width}${head(x + width / 4, at, 0, 1)}${head(x + width / 4, at, 0, -1)}`,
        )
      : []),
  ];
  return (
    <g fill="#3e5c76" data-mirror-axes={paths.length}>
      <path d={paths.join('')} stroke="#fff" strokeWidth="4" strokeOpacity="0.7" />
      <path d={paths.join('')} stroke="#3e5c76" strokeWidth="1" />
    </g>
  );
}

interface EdgesProps extends CellProps {
  readonly onPress: (event: PointerEvent, edge: 'right' | 'bottom', cell: LatticeIndex) => void;
}

/** Where the cell's right and lower edges can be taken: a stitch thicker than the rest. A hexagon has but one of them. */
function CellEdges({ viewport, repeat, lattice, onPress }: EdgesProps) {
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

/** The lines that have caught what is moved, each with what it is. */
function CaughtLines({ lines, viewport }: { readonly lines: readonly SnapLine[]; readonly viewport: Viewport }) {
  return lines.map(({ axis, at, from, to, kind, share, distance }) => {
    const [a, b] =
      axis === 'x'
        ? [toCss(viewport, { x: at, y: from }), toCss(viewport, { x: at, y: to })]
        : [toCss(viewport, { x: from, y: at }), toCss(viewport, { x: to, y: at })];
    const text =
      kind === 'guide'
        ? 'guide'
        : kind === 'cell'
          ? share === '0'
            ? TEXTS.cellsEdge
            : TEXTS.shareOfTheCell(share)
          : `${formatNumber(distance ?? 0, 1)} mm${kind === 'gap' ? TEXTS.toBothSides : ''}`;
    const line = { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
    const middle = {
      x: Math.min(viewport.width - 90, Math.max(8, (a.x + b.x) / 2 + 6)),
      y: Math.min(viewport.height - 12, Math.max(16, (a.y + b.y) / 2 - 6)),
    };
    return (
      <g key={axis} className="pointer-events-none" data-caught={kind}>
        <line {...line} stroke="#fff" strokeWidth="3" />
        <line {...line} stroke="#b3402e" strokeWidth="1.25" />
        <text
          {...middle}
          fontSize="12"
          fontWeight="600"
          fill="#1f2430"
          stroke="#fff"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {text}
        </text>
      </g>
    );
  });
}

/** The box or loop that a hand draws around motifs. */
function DrawnLoop({ loop }: { readonly loop: readonly Point[] }) {
  if (loop.length === 0) return null;
  const points = loop.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g className="pointer-events-none" fill="#1f2430" fillOpacity="0.06" strokeWidth="1.5" data-loop>
      <polygon points={points} stroke="#fff" />
      <polygon points={points} stroke="#1f2430" strokeDasharray="5 4" />
    </g>
  );
}

function ChosenOutline({ corners }: { readonly corners: readonly Point[] }) {
  const points = corners.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g className="pointer-events-none" fill="none">
      <polygon points={points} stroke="#1f2430" strokeWidth="3" strokeOpacity="0.55" />
      <polygon points={points} stroke="#fff" strokeWidth="1.25" />
    </g>
  );
}

/** The box around all that is chosen, thinner than the outlines in it. */
function FrameOutline({ corners }: { readonly corners: readonly Point[] }) {
  const points = corners.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g className="pointer-events-none" fill="none" strokeWidth="1" strokeDasharray="2 3">
      <polygon points={points} stroke="#fff" />
      <polygon points={points} stroke="#1f2430" strokeDashoffset="2.5" />
    </g>
  );
}

/** A line as the hand draws it. */
function DrawnLine({ line }: { readonly line: readonly Point[] }) {
  const points = line.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g className="pointer-events-none" fill="none" data-drawn-line>
      <polyline points={points} stroke="#fff" strokeWidth="3.5" />
      <polyline points={points} stroke="#b3402e" strokeWidth="1.5" />
    </g>
  );
}

function PointerNote({ at, text }: DragReadout) {
  return (
    <div
      style={{ left: at.x + 16, top: at.y + 18 }}
      className="pointer-events-none absolute rounded-sm bg-ink px-1.5 py-0.5 text-xs font-medium whitespace-nowrap text-white"
      data-note
    >
      {text}
    </div>
  );
}
