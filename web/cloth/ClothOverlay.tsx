import { useMemo } from 'react';
import { cornersAround, boxAroundCentre, type Placement } from '../../core/document/placement.ts';
import type { Corner } from '../../core/arrange/pins.ts';
import { shiftBox, type Box } from '../../core/geometry/box.ts';
import type { Point } from '../../core/geometry/point.ts';
import { cellHolding, displacement, latticeOf, type Lattice, type Steps } from '../../core/repeat/lattice.ts';
import { nearestEcho } from '../../core/repeat/echoes.ts';
import type { Motif } from '../../core/motif/motif.ts';
import { useBench } from '../design/bench.ts';
import { ChalkLabel } from '../design/ChalkLabel.tsx';
import { useStore } from '../shared/store.ts';
import type { ClothParts } from './Cloth.tsx';
import type { SnapLine } from '../../core/arrange/snap.ts';
import { formatNumber } from '../../core/units/length.ts';
import type { DragNote } from './clothHands.ts';
import { PileList } from './PileList.tsx';
import { middle, toCss, toMm, type Viewport } from './viewport.ts';

/** The turning pin stands this far off the motif, CSS pixels. */
const TURN_PIN_OFF = 26;

/** What is drawn over the cloth: the cell's stitches, the pins of what is chosen, numbers at the pointer. */
export function ClothOverlay({ view, hands }: ClothParts) {
  const bench = useBench();
  const viewport = useStore({ subscribe: view.subscribe, getState: view.getViewport });
  const { design } = useStore(bench.session);
  const selection = useStore(bench.selection);
  const motifs = useStore(bench.motifs);
  const note = useStore(hands.note);
  const panning = useStore(hands.panning);
  const loop = useStore(hands.loop);
  const lines = useStore(hands.lines);
  const lattice = useMemo(() => latticeOf(design.repeat), [design.repeat]);
  const chosen = design.placements.filter(({ id }) => selection.ids.includes(id));
  const shown = chosen.map((placement) => ({ placement, motif: motifs.find(({ id }) => id === placement.motif) })).filter((one): one is { placement: Placement; motif: typeof motifs[number] } => one.motif !== undefined);
  const [only] = shown.length === 1 ? shown : [];
  const steps = only ? stepsInView(lattice, viewport, only.placement, only.motif, selection.each?.get(only.placement.id) ?? selection.steps) : selection.steps;

  return (
    <>
      <svg className={`absolute inset-0 h-full w-full ${panning ? 'cursor-grabbing' : ''}`} aria-hidden>
        <CellStitch viewport={viewport} lattice={lattice} />
        {shown.map(({ placement, motif }) => (
          <ChosenOutline key={placement.id} corners={cornersOnScreen(viewport, lattice, placement, motif, only ? steps : stepsInView(lattice, viewport, placement, motif, selection.each?.get(placement.id) ?? selection.steps))} />
        ))}
        <DrawnLoop loop={loop} />
        <CaughtLines lines={lines} viewport={viewport} />
      </svg>
      {!bench.inside && <CellEdges viewport={viewport} lattice={lattice} onPress={(event, edge, cell) => hands.pressEdge(event, edge, cell)} />}
      {only && (
        <Pins
          corners={cornersOnScreen(viewport, lattice, only.placement, only.motif, steps)}
          onCorner={(event, corner) => hands.pressCorner(event, corner, steps)}
          onTurn={(event) => hands.pressTurn(event, steps)}
        />
      )}
      {shown.length > 0 && !note && <ChalkLabel chosen={shown} box={boxOnScreen(viewport, lattice, shown, steps)} viewport={viewport} />}
      {note && <PointerNote {...note} />}
      <PileList hands={hands} />
    </>
  );
}

/** The appearance at which pins are shown: the one that was taken, or if that is out of sight the one nearest the middle. */
function stepsInView(lattice: Lattice, viewport: Viewport, placement: Placement, motif: Motif, taken: Steps): Steps {
  const by = displacement(lattice, taken);
  const box = shiftBox(boxAroundCentre(placement, motif), { x: placement.x + by.x, y: placement.y + by.y });
  const a = toCss(viewport, { x: box.left, y: box.top });
  const b = toCss(viewport, { x: box.right, y: box.bottom });
  const inView = b.x > 0 && b.y > 0 && a.x < viewport.width && a.y < viewport.height;
  return inView ? taken : nearestEcho(lattice, placement, toMm(viewport, middle(viewport)));
}

function cornersOnScreen(viewport: Viewport, lattice: Lattice, placement: Placement, motif: Motif, steps: Steps): Point[] {
  const by = displacement(lattice, steps);
  return cornersAround(placement, motif).map(({ x, y }) => toCss(viewport, { x: x + placement.x + by.x, y: y + placement.y + by.y }));
}

function boxOnScreen(viewport: Viewport, lattice: Lattice, shown: readonly { placement: Placement; motif: Motif }[], steps: Steps): Box {
  const points = shown.flatMap(({ placement, motif }) => cornersOnScreen(viewport, lattice, placement, motif, steps));
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}

/** The cell nearest the middle of the window, as it lies on screen. */
function cellOnScreen(viewport: Viewport, lattice: Lattice): { cell: Steps; x: number; y: number; width: number; height: number } {
  const cell = cellHolding(lattice, toMm(viewport, middle(viewport)));
  const origin = displacement(lattice, cell);
  const a = toCss(viewport, origin);
  const b = toCss(viewport, { x: origin.x + lattice.width, y: origin.y + lattice.height });
  return { cell, x: a.x, y: a.y, width: b.x - a.x, height: b.y - a.y };
}

function CellStitch({ viewport, lattice }: { readonly viewport: Viewport; readonly lattice: Lattice }) {
  const { x, y, width, height } = cellOnScreen(viewport, lattice);
  const line = { x: Math.round(x) + 0.5, y: Math.round(y) + 0.5, width: Math.round(width), height: Math.round(height), fill: 'none', strokeWidth: 1.5 };
  return (
    <g className="pointer-events-none" data-cell>
      <rect {...line} stroke="#fff" strokeDasharray="7 5" />
      <rect {...line} stroke="#1f2430" strokeDasharray="7 5" strokeDashoffset="6" />
    </g>
  );
}

interface EdgesProps {
  readonly viewport: Viewport;
  readonly lattice: Lattice;
  readonly onPress: (event: PointerEvent, edge: 'right' | 'bottom', cell: Steps) => void;
}

/** Where the cell's right and lower edges can be taken: a stitch thicker than the rest. */
function CellEdges({ viewport, lattice, onPress }: EdgesProps) {
  const { cell, x, y, width, height } = cellOnScreen(viewport, lattice);
  const edges = [
    { edge: 'right' as const, left: x + width - 5, top: y + height / 2 - 16, className: 'h-8 w-2.5 cursor-ew-resize', label: 'Drag to change the cell’s width' },
    { edge: 'bottom' as const, left: x + width / 2 - 16, top: y + height - 5, className: 'h-2.5 w-8 cursor-ns-resize', label: 'Drag to change the cell’s height' },
  ];
  if (width < 48 || height < 48) return null;
  return edges.map(({ edge, left, top, className, label }) => (
    <div
      key={edge}
      title={label}
      data-edge={edge}
      style={{ left, top }}
      className={`absolute rounded-full border border-white bg-ink ${className}`}
      onPointerDown={(event) => {
        event.stopPropagation();
        onPress(event.nativeEvent, edge, cell);
      }}
    />
  ));
}

/** The lines that have caught what is moved, each with what it is. */
function CaughtLines({ lines, viewport }: { readonly lines: readonly SnapLine[]; readonly viewport: Viewport }) {
  return lines.map(({ axis, at, from, to, kind, share, distance }) => {
    const [a, b] = axis === 'x' ? [toCss(viewport, { x: at, y: from }), toCss(viewport, { x: at, y: to })] : [toCss(viewport, { x: from, y: at }), toCss(viewport, { x: to, y: at })];
    const text = kind === 'cell' ? (share === '0' ? 'cell’s edge' : `${share} of the cell`) : `${formatNumber(distance ?? 0, 1)} mm${kind === 'gap' ? ' to both sides' : ''}`;
    const line = { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
    const middle = { x: Math.min(viewport.width - 90, Math.max(8, (a.x + b.x) / 2 + 6)), y: Math.min(viewport.height - 12, Math.max(16, (a.y + b.y) / 2 - 6)) };
    return (
      <g key={axis} className="pointer-events-none" data-caught={kind}>
        <line {...line} stroke="#fff" strokeWidth="3" />
        <line {...line} stroke="#b3402e" strokeWidth="1.25" />
        <text {...middle} fontSize="12" fontWeight="600" fill="#1f2430" stroke="#fff" strokeWidth="3" paintOrder="stroke">
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

interface PinsProps {
  readonly corners: readonly Point[];
  readonly onCorner: (event: PointerEvent, corner: Corner) => void;
  readonly onTurn: (event: PointerEvent) => void;
}

/** Round pins at the corners, and one off the top edge for turning. */
function Pins({ corners, onCorner, onTurn }: PinsProps) {
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  const top = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const foot = { x: (c.x + d.x) / 2, y: (c.y + d.y) / 2 };
  const length = Math.hypot(top.x - foot.x, top.y - foot.y) || 1;
  const turn = { x: top.x + ((top.x - foot.x) / length) * TURN_PIN_OFF, y: top.y + ((top.y - foot.y) / length) * TURN_PIN_OFF };
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
        <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="#1f2430" strokeWidth="3" strokeOpacity="0.55" />
        <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="#fff" strokeWidth="1.25" />
      </svg>
      {corners.map((at, corner) => (
        <Pin key={corner} at={at} name={`corner-${corner}`} label="Drag to resize" className="cursor-nwse-resize bg-white" onPress={(event) => onCorner(event, corner as Corner)} />
      ))}
      <Pin at={turn} name="turn" label="Drag to turn" className="cursor-grab bg-ink" onPress={onTurn} />
    </>
  );
}

interface PinProps {
  readonly at: Point;
  readonly name: string;
  readonly label: string;
  readonly className: string;
  readonly onPress: (event: PointerEvent) => void;
}

function Pin({ at, name, label, className, onPress }: PinProps) {
  return (
    <div
      title={label}
      data-pin={name}
      style={{ left: at.x - 10, top: at.y - 10 }}
      className="absolute grid h-5 w-5 place-items-center"
      onPointerDown={(event) => {
        event.stopPropagation();
        onPress(event.nativeEvent);
      }}
    >
      <span className={`h-3 w-3 rounded-full border-2 border-white shadow-[0_0_0_1.5px_#1f2430] ${className}`} />
    </div>
  );
}

function PointerNote({ at, text }: DragNote) {
  return (
    <div style={{ left: at.x + 16, top: at.y + 18 }} className="pointer-events-none absolute rounded-sm bg-ink px-1.5 py-0.5 text-xs font-medium whitespace-nowrap text-white" data-note>
      {text}
    </div>
  );
}
