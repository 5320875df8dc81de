import type { ComponentType } from 'react';
import { useMemo } from 'react';
import { type Frame, MIDDLE, pointInFrame } from '../../core/arrange/index.ts';
import { cornersAround, type Placement } from '../../core/document/index.ts';
import { boxAround, type Point, type Box } from '../../core/geometry/index.ts';
import { type Lattice, latticeOf, latticeTranslate, nearestInstanceIndex } from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { useEditor } from './editorContext.ts';
import { useStore } from '../ui/store.ts';
import type { ClothParts } from './clothParts.ts';
import type { DragReadout } from './gestures/gestureContext.ts';
import { CrossingPins } from './CrossingPins.tsx';
import { DrawingAxes, DrawingCentre } from './DrawingAxes.tsx';
import { CellEdges, cellOnScreen, CellStitch } from './CellOutline.tsx';
import { FindingMarks } from './FindingMarks.tsx';
import { MarkPins } from './MarkPins.tsx';
import { marksOf, marksShown, takeMark } from './marks.ts';
import { GuidePins, GuideLines } from './Guides.tsx';
import { DrawnLine, DrawnLoop, FrameOutline, SelectionOutline } from './outlines.tsx';
import { PileList } from './PileList.tsx';
import { Pins } from './Pins.tsx';
import { ShadingPins } from './ShadingPins.tsx';
import { VinePins } from './VinePins.tsx';
import { SnapLines } from './SnapLines.tsx';
import { middle, toCss, toMm, type Viewport } from './viewport.ts';

const HERE: Point = { x: 0, y: 0 };
/** Of more than this the common frame says enough. */
const MOST_OUTLINES = 120;

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

/** What is drawn over the cloth: the cell's stitches, guides, the pins of the selection, numbers at the pointer. */
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
  const symmetryShown = useStore(editor.symmetryShown);
  const holes = useStore(editor.holes);
  const areMarksShown = useStore(marksShown);
  const found = useStore(editor.findings);
  const findings = areMarksShown ? found : undefined;
  const taken = useStore(editor.mark);
  const lattice = useMemo(() => latticeOf(design.repeat), [design.repeat]);
  const marks = useMemo(() => marksOf(lattice, holes, findings), [lattice, holes, findings]);
  const meant = editor.selectedInstances.flatMap((placement) => {
    const motif = editor.motif(placement.motif);
    return motif ? [{ placement, motif }] : [];
  });
  const isDrawing = useStore(editor.part) === 'draw' && !editor.inside;
  const chosenSymmetry = useStore(editor.drawing.symmetry);
  const symmetry = isDrawing && chosenSymmetry.kind !== 'none' ? chosenSymmetry : undefined;
  const onPlane = (mm: Point): Point => toCss(viewport, mm);
  // While the hand draws, nothing is in the way of it.
  const frame = isDrawing ? undefined : editor.frame;
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
        className={`absolute inset-0 h-full w-full ${panning ? 'cursor-grabbing' : drawing || isDrawing ? 'cursor-crosshair' : ''}`}
        aria-hidden
      >
        <CellStitch viewport={viewport} repeat={design.repeat} lattice={lattice} marked={symmetryShown} />
        <GuideLines guides={shown} viewport={viewport} lattice={lattice} />
        <FindingMarks marks={marks} viewport={viewport} taken={taken} />
        {meant.slice(0, MOST_OUTLINES).map(({ placement, motif }) => (
          <SelectionOutline key={placement.id} corners={cornersOf(placement, motif).map(onScreen)} />
        ))}
        {meant.length > 1 && corners && <FrameOutline corners={corners} />}
        <DrawnLoop loop={loop} />
        <DrawnLine line={drawn} />
        {symmetry && <DrawingAxes symmetry={symmetry} onScreen={onPlane} />}
        <SnapLines lines={lines} viewport={viewport} />
      </svg>
      <MarkPins marks={marks} viewport={viewport} taken={taken} onTake={(mark, at) => takeMark(editor, mark, at)} />
      {!editor.inside && !isDrawing && (
        <CellEdges
          viewport={viewport}
          repeat={design.repeat}
          lattice={lattice}
          onPress={(event, edge, cell) => controller.pressEdge(event, edge, cell)}
        />
      )}
      {isDrawing && <VinePins viewport={viewport} lattice={lattice} controller={controller} />}
      {isDrawing && <CrossingPins viewport={viewport} lattice={lattice} />}
      {isDrawing && <ShadingPins viewport={viewport} lattice={lattice} controller={controller} />}
      {symmetry && (
        <DrawingCentre
          symmetry={symmetry}
          onScreen={onPlane}
          onMove={(event) => editor.drawing.symmetry.set({ ...symmetry, at: toMm(viewport, controller.local(event)) })}
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

function PointerNote({ at, text }: DragReadout) {
  return (
    <div
      style={{ left: at.x + 16, top: at.y + 18 }}
      className="pointer-events-none absolute rounded-sm bg-ink px-1.5 py-0.5 text-xs font-medium whitespace-pre text-white"
      data-note
    >
      {text}
    </div>
  );
}
