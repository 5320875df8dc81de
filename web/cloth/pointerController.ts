import type { GestureContext, DragReadout } from './gestures/gestureContext.ts';
import type { DesignMotif } from '../../contract/index.ts';
import { type FramePoint, type Instance, overlaps, Picker, type SnapLine } from '../../core/arrange/index.ts';
import type { Guide, Placement } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import type { LatticeIndex } from '../../core/lattice/index.ts';
import type { Editor } from '../editor/editor.ts';
import { Cell } from '../ui/store.ts';
import type { ClothView } from './clothView.ts';
import { carryGesture } from './gestures/carryGesture.ts';
import { drawGesture } from './gestures/drawGesture.ts';
import type { Gesture } from './gestures/gesture.ts';
import { edgeGesture } from './gestures/edgeGesture.ts';
import { lassoGesture } from './gestures/lassoGesture.ts';
import { guideGesture } from './gestures/guideGesture.ts';
import { lineGesture } from './gestures/lineGesture.ts';
import { moveGesture } from './gestures/moveGesture.ts';
import { panGesture, pinchGesture } from './gestures/panGesture.ts';
import { pinGesture, pointGesture, rotateGesture } from './gestures/pinGesture.ts';
import { strokeGesture } from './gestures/strokeGesture.ts';
import { lengthToMm, toMm } from './viewport.ts';

/** Motifs are easier to hit within this many CSS pixels. */
const REACH_PX = 4;
/** A hand that rests on the glass while a pen was there so shortly ago, ms, is no finger. */
const PALM_MS = 1000;
/** Buttons of a pen: the one at its side, and its other end. */
const PEN_RUBS: readonly number[] = [2, 5];

/** What pointers do to the cloth: says which drag a press begins, and knows where the pointer is. */
export class PointerController implements GestureContext {
  readonly note = new Cell<DragReadout | undefined>(undefined);
  readonly panning = new Cell(false);
  /** The box or loop being drawn around motifs, corners in CSS pixels. */
  readonly lasso = new Cell<readonly Point[]>([]);
  /** The open line being drawn, CSS pixels. */
  readonly line = new Cell<readonly Point[]>([]);
  /** Whoever waits for a line to be drawn on the cloth: the next press draws it. */
  readonly drawing = new Cell<((line: readonly Point[]) => void) | undefined>(undefined);
  /** What has caught the motifs that are being moved. */
  readonly snapLines = new Cell<readonly SnapLine[]>([]);
  /** What lies at a point, offered to be chosen from. */
  readonly pile = new Cell<{ readonly at: Point; readonly hits: readonly Instance[] } | undefined>(undefined);
  /** Where the pointer was last, while it is over the cloth; CSS pixels. */
  pointer: Point | undefined;
  #gesture: Gesture | undefined;
  /** The pointer whose gesture it is; undefined where it is of several, or of none over the cloth. */
  #holder: number | undefined;
  #penSeen = -Infinity;
  #spaceHeld = false;
  readonly #touches = new Map<number, Point>();
  #picker: { readonly picker: Picker; readonly motifs: readonly DesignMotif[] } | undefined;

  constructor(
    readonly editor: Editor,
    readonly view: ClothView,
    readonly area: HTMLElement,
  ) {}

  /** Whether something is being dragged. */
  get isBusy(): boolean {
    return this.#gesture !== undefined;
  }

  /** Gives up the drag, or the line that was to be drawn; says whether there was one. */
  cancel(): boolean {
    const waiting = this.drawing.getState() !== undefined;
    this.drawing.set(undefined);
    if (!this.#gesture) return waiting;
    this.#gesture.cancel();
    this.#finish();
    return true;
  }

  holdSpace(held: boolean): void {
    this.#spaceHeld = held;
    this.panning.set(held);
  }

  readonly local = (event: { clientX: number; clientY: number }): Point => {
    const box = this.area.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  press(event: PointerEvent): void {
    const at = this.local(event);
    this.#notePen(event);
    if (event.pointerType === 'touch') {
      if (this.isDrawing && event.timeStamp - this.#penSeen < PALM_MS) return;
      this.#touches.set(event.pointerId, at);
      this.area.setPointerCapture(event.pointerId);
      // A second finger takes over from what the first one began; a third changes nothing.
      if (this.#touches.size === 2) {
        this.#lose(true);
        this.#holder = undefined;
        this.#gesture = pinchGesture(this, this.#touches);
      }
      if (this.#touches.size > 1) return;
    }
    if (this.#gesture) return;
    this.area.setPointerCapture(event.pointerId);
    this.pile.set(undefined);
    this.#holder = event.pointerId;
    this.#gesture = this.#begin(event, at);
  }

  /** Whether the hand draws, and does not select and move. */
  get isDrawing(): boolean {
    return this.editor.part.getState() === 'draw' && !this.editor.inside;
  }

  #notePen(event: PointerEvent): void {
    if (event.pointerType === 'pen') this.#penSeen = event.timeStamp;
  }

  #begin(event: PointerEvent, at: Point): Gesture | undefined {
    if (event.button === 1 || this.#spaceHeld) return panGesture(this, at);
    if (this.isDrawing && event.pointerType === 'pen' && PEN_RUBS.includes(event.button))
      return strokeGesture(this, event, 'rubber');
    if (event.button !== 0) return undefined;
    const draw = this.drawing.getState();
    if (draw) {
      this.drawing.set(undefined);
      return lineGesture(this, at, draw);
    }
    if (this.isDrawing) return drawGesture(this, event, at);
    const hits = this.hitsAt(at);
    const [hit] = hits;
    if (event.shiftKey || event.altKey) return lassoGesture(this, at, event.altKey, hit);
    const { editor } = this;
    if (!hit) {
      editor.select([]);
      return panGesture(this, at);
    }
    const { ids } = editor.selection.getState();
    const held = hits.find(({ id }) => ids.includes(id)) ?? hit;
    if (ids.includes(held.id)) editor.reanchorTo(held);
    else editor.select([held.id], [held]);
    return moveGesture(this, at, ids.length === 1 && held.id === ids[0] ? hits : []);
  }

  /** Shows all that lies under a point, to be chosen from. */
  openPile(event: { clientX: number; clientY: number }): void {
    if (this.isDrawing) return;
    const at = this.local(event);
    const hits = this.hitsAt(at);
    this.pile.set(hits.length > 0 ? { at, hits } : undefined);
  }

  /** The instances at a point that can be taken in hand, topmost first. */
  hitsAt(at: Point): Instance[] {
    const { editor, view } = this;
    const placements = editor.editablePlacements;
    const motifs = editor.motifs.getState();
    if (
      this.#picker?.picker.placements !== placements ||
      this.#picker.picker.lattice !== editor.lattice ||
      this.#picker.motifs !== motifs
    ) {
      this.#picker = { picker: new Picker(placements, view.pickables, editor.lattice), motifs };
    }
    const { picker } = this.#picker;
    const viewport = view.getViewport();
    return picker.at(toMm(viewport, at), lengthToMm(viewport, { x: REACH_PX, y: 0 }).x);
  }

  /** What lies under a double click. */
  at(event: MouseEvent): string | undefined {
    return this.isDrawing ? undefined : this.hitsAt(this.local(event))[0]?.id;
  }

  /** Whether what is drawn of two placements lies over each other anywhere. */
  readonly overlap = (a: Placement, b: Placement): boolean => overlaps(this.editor.lattice, a, b, this.view.pickables);

  move(event: PointerEvent): void {
    this.#notePen(event);
    if (this.#isOther(event)) return;
    this.pointer = this.local(event);
    if (this.#touches.has(event.pointerId)) this.#touches.set(event.pointerId, this.pointer);
    this.#gesture?.move(event);
  }

  /** The pointer is gone without having been lifted: what it began is undone, or kept where it is a stroke. */
  lose(event: PointerEvent): void {
    this.#touches.delete(event.pointerId);
    if (this.#isOther(event)) return;
    this.#lose(false);
  }

  /** The cloth no longer hears of a pointer, though nothing said that it was lifted. */
  loseCapture(event: PointerEvent): void {
    if (this.#gesture && this.#holder === event.pointerId) this.lose(event);
  }

  #lose(toPinch: boolean): void {
    if (!this.#gesture?.lose) {
      this.cancel();
      return;
    }
    this.#gesture.lose(toPinch);
    this.#finish();
  }

  /** Whether another pointer than this one has begun what is under way. */
  #isOther(event: PointerEvent): boolean {
    return this.#gesture !== undefined && this.#holder !== undefined && this.#holder !== event.pointerId;
  }

  release(event: PointerEvent): void {
    this.#touches.delete(event.pointerId);
    if (!this.#gesture || this.#isOther(event)) return;
    this.#gesture.end();
    this.#finish();
  }

  wheel(event: WheelEvent): void {
    event.preventDefault();
    const lines = event.deltaMode === 1 ? 16 : event.deltaMode === 2 ? 400 : 1;
    // A pinch comes as a wheel with Ctrl and in small steps.
    this.view.zoomAt(this.local(event), Math.exp(-event.deltaY * lines * (event.ctrlKey ? 0.01 : 0.0016)));
  }

  /** A pin of the frame around what is chosen, seen `shift` mm aside of what is meant. */
  pressPin(event: PointerEvent, pin: FramePoint, shift: Point): void {
    this.take(event, () => pinGesture(this, event, pin, shift));
  }

  pressTurn(event: PointerEvent, shift: Point): void {
    this.take(event, () => rotateGesture(this, event, shift));
  }

  /** The point that what is chosen is turned and sized about. */
  pressPoint(event: PointerEvent, shift: Point): void {
    this.take(event, () => pointGesture(this, shift));
  }

  pressEdge(event: PointerEvent, edge: 'right' | 'bottom', steps: LatticeIndex): void {
    this.take(event, () => edgeGesture(this, event, edge, steps));
  }

  /** A guide, or a new one out of the selvedge. */
  pressGuide(event: PointerEvent, guide?: Guide): void {
    this.take(event, () => guideGesture(this, guide));
  }

  /** Whatever is pressed over the cloth and drags on its own. */
  take(event: PointerEvent, begin: () => Gesture | undefined): void {
    if (this.#gesture || event.button !== 0) return;
    this.area.setPointerCapture(event.pointerId);
    this.#holder = event.pointerId;
    this.#gesture = begin();
  }

  /** Begins to bring a motif from the tray. */
  carry(motif: DesignMotif, onOver: (over: boolean) => void): Gesture {
    const drag = carryGesture(this, motif, onOver);
    this.#gesture = drag;
    return {
      move: drag.move,
      end: () => {
        if (this.#gesture !== drag) return;
        drag.end();
        this.#finish();
      },
      cancel: () => void this.cancel(),
    };
  }

  #finish(): void {
    this.#gesture = undefined;
    this.#holder = undefined;
    this.lasso.set([]);
    this.line.set([]);
    this.snapLines.set([]);
    this.note.set(undefined);
    this.panning.set(this.#spaceHeld);
  }
}
