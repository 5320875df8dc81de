import { enclosed } from '../../core/arrange/enclosed.ts';
import { pick, type Appearance } from '../../core/arrange/pick.ts';
import { snapped, snapTargets, type SnapLine, type SnapTargets } from '../../core/arrange/snap.ts';
import { gathered } from '../../core/bundle/gather.ts';
import { boxAround, shiftBox, type Box } from '../../core/geometry/box.ts';
import { resized, turnedBy, type Corner } from '../../core/arrange/pins.ts';
import type { Command } from '../../core/document/command.ts';
import { cornersAround, type Placement, type PlacementChange } from '../../core/document/placement.ts';
import type { Point } from '../../core/geometry/point.ts';
import { displacement, latticeOf, type Steps } from '../../core/repeat/lattice.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, type Repeat } from '../../core/repeat/repeat.ts';
import { formatNumber } from '../../core/units/length.ts';
import type { DrawerMotif } from '../api/motifs.ts';
import type { Bench } from '../design/bench.ts';
import { Cell } from '../shared/store.ts';
import type { ClothView } from './clothView.ts';
import { lengthToMm, toMm } from './viewport.ts';

/** The numbers shown at the pointer while something is dragged. */
export interface DragNote {
  readonly at: Point;
  readonly text: string;
}

/** What a press has begun. */
interface Drag {
  move(event: PointerEvent): void;
  end(): void;
  cancel(): void;
}

/** Motifs are easier to hit within this many CSS pixels. */
const REACH_PX = 4;
/** Lines catch what is moved within this many CSS pixels. */
const CATCH_PX = 6;
/** Less than this is a click and no drag, CSS pixels. */
const SLIP_PX = 3;

/** What pointers do to the cloth: choose, move, turn, resize, pan, zoom, drag the cell's edges. */
export class ClothHands {
  readonly note = new Cell<DragNote | undefined>(undefined);
  readonly panning = new Cell(false);
  /** The box or loop being drawn around motifs, corners in CSS pixels. */
  readonly loop = new Cell<readonly Point[]>([]);
  /** What has caught the motifs that are being moved. */
  readonly lines = new Cell<readonly SnapLine[]>([]);
  /** What lies at a point, offered to be chosen from. */
  readonly pile = new Cell<{ readonly at: Point; readonly hits: readonly Appearance[] } | undefined>(undefined);
  #drag: Drag | undefined;
  #spaceHeld = false;
  readonly #touches = new Map<number, Point>();

  constructor(
    readonly bench: Bench,
    readonly view: ClothView,
    readonly area: HTMLElement,
  ) {}

  /** Whether something is being dragged. */
  get isBusy(): boolean {
    return this.#drag !== undefined;
  }

  /** Gives up the drag; says whether there was one. */
  cancel(): boolean {
    if (!this.#drag) return false;
    this.#drag.cancel();
    this.#finish();
    return true;
  }

  holdSpace(held: boolean): void {
    this.#spaceHeld = held;
    this.panning.set(held);
  }

  local(event: { clientX: number; clientY: number }): Point {
    const box = this.area.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  }

  press(event: PointerEvent): void {
    if (this.#drag) return;
    this.area.setPointerCapture(event.pointerId);
    const at = this.local(event);
    if (event.pointerType === 'touch' && this.#pinch(event, at)) return;
    if (event.button === 1 || this.#spaceHeld) {
      this.#pan(at);
      return;
    }
    if (event.button !== 0) return;
    this.pile.set(undefined);
    const hits = this.hitsAt(at);
    const [hit] = hits;
    if (event.shiftKey || event.altKey) {
      this.#enclose(at, event.altKey, hit);
      return;
    }
    if (!hit) {
      this.bench.choose([]);
      this.#pan(at);
      return;
    }
    const { ids } = this.bench.selection.getState();
    const held = hits.find(({ id }) => ids.includes(id)) ?? hit;
    this.bench.choose(ids.includes(held.id) ? ids : [held.id], held.steps);
    this.#move(at, ids.length === 1 && held.id === ids[0] ? hits : []);
  }

  /** Shows all that lies under a point, to be chosen from. */
  openPile(event: { clientX: number; clientY: number }): void {
    const at = this.local(event);
    const hits = this.hitsAt(at);
    this.pile.set(hits.length > 0 ? { at, hits } : undefined);
  }

  /** The appearances at a point that can be taken in hand, topmost first. */
  hitsAt(at: Point): Appearance[] {
    const viewport = this.view.getViewport();
    const reach = lengthToMm(viewport, { x: REACH_PX, y: 0 }).x;
    return pick(this.bench.free, this.view.pickables, latticeOf(this.bench.design.repeat), toMm(viewport, at), reach);
  }

  /** What lies under a double click. */
  at(event: MouseEvent): string | undefined {
    return this.hitsAt(this.local(event))[0]?.id;
  }

  move(event: PointerEvent): void {
    if (this.#touches.has(event.pointerId)) this.#touches.set(event.pointerId, this.local(event));
    this.#drag?.move(event);
  }

  lift(event: PointerEvent): void {
    this.#touches.delete(event.pointerId);
    if (!this.#drag) return;
    this.#drag.end();
    this.#finish();
  }

  wheel(event: WheelEvent): void {
    event.preventDefault();
    const lines = event.deltaMode === 1 ? 16 : event.deltaMode === 2 ? 400 : 1;
    // A pinch comes as a wheel with Ctrl and in small steps.
    this.view.zoomAt(this.local(event), Math.exp(-event.deltaY * lines * (event.ctrlKey ? 0.01 : 0.0016)));
  }

  /** Begins to resize the one chosen motif by a corner of the appearance at `steps`. */
  pressCorner(event: PointerEvent, corner: Corner, steps: Steps): void {
    this.#shape(event, steps, 'Resized', (placement, motif, _from, to, moved) => {
      const change = resized(placement, motif, corner, to, moved.altKey);
      return { change, text: `${formatNumber(motif.width * (change.scale ?? 1), 1)} mm wide, ${formatNumber((change.scale ?? 1) * 100, 1)} %` };
    });
  }

  /** Begins to turn the one chosen motif by the pin of the appearance at `steps`. */
  pressTurn(event: PointerEvent, steps: Steps): void {
    this.#shape(event, steps, 'Turned', (placement, _motif, from, to, moved) => {
      const change = turnedBy(placement, from, to, moved.shiftKey ? 15 : 0);
      return { change, text: `${formatNumber(change.turn ?? 0, 1)}°` };
    });
  }

  /** Begins to drag an edge of the cell `steps`: its right edge changes the width, its lower edge the height. */
  pressEdge(event: PointerEvent, edge: 'right' | 'bottom', steps: Steps): void {
    this.area.setPointerCapture(event.pointerId);
    // Seen from its own origin, the cell's edge is where the pointer is.
    this.view.bringHome(steps);
    const { repeat } = this.bench.design;
    const from = toMm(this.view.getViewport(), this.local(event));
    const home = this.view.getViewport();
    let command: Command | undefined;
    this.#drag = {
      move: (moved) => {
        const to = toMm(home, this.local(moved));
        const next: Repeat =
          edge === 'right'
            ? { ...repeat, width: within(roundTo(repeat.width + to.x - from.x)) }
            : { ...repeat, height: within(roundTo(repeat.height + to.y - from.y)) };
        command = { type: 'repeat', repeat: next };
        this.bench.session.preview(command);
        this.note.set({ at: this.local(moved), text: edge === 'right' ? `${formatNumber(next.width)} mm wide` : `${formatNumber(next.height)} mm high` });
      },
      end: () => {
        if (command) this.bench.commit('Resized the cell', command);
      },
      cancel: () => this.bench.session.preview(undefined),
    };
  }

  /** Begins to bring a motif from the tray; it lies on the cloth as soon as the pointer is over it. */
  carry(motif: DrawerMotif, onOver: (over: boolean) => void): Drag {
    this.view.prefetch(motif);
    let laid: { id: string; command: Command } | undefined;
    const base = this.bench.session.state.committed;
    const isOver = (at: Point): boolean => {
      const { width, height } = this.view.getViewport();
      return at.x >= 0 && at.y >= 0 && at.x < width && at.y < height;
    };
    const drag: Drag = {
      move: (event) => {
        const at = this.local(event);
        if (!isOver(at)) {
          if (laid) this.bench.session.preview(undefined);
          if (laid) this.view.release();
          laid = undefined;
          this.note.set(undefined);
          onOver(false);
          return;
        }
        const mm = toMm(this.view.getViewport(), at);
        const first = !laid;
        this.bench.session.preview(undefined);
        laid = this.bench.laying(motif, mm, laid?.id);
        this.bench.session.preview(laid.command);
        if (first) this.view.hold([laid.id]);
        this.#say(event, this.bench.design.placements.find(({ id }) => id === laid?.id));
        onOver(true);
      },
      end: () => {
        this.view.release();
        if (!laid) return;
        this.bench.commit(`Laid ${motif.name}`, laid.command);
        this.bench.choose([laid.id], { i: 0, j: 0 });
      },
      cancel: () => {
        if (this.bench.session.state.committed === base) this.bench.session.preview(undefined);
        this.view.release();
      },
    };
    this.#drag = drag;
    return {
      move: drag.move,
      end: () => {
        if (this.#drag !== drag) return;
        drag.end();
        this.#finish();
      },
      cancel: () => void this.cancel(),
    };
  }

  #finish(): void {
    this.#drag = undefined;
    this.loop.set([]);
    this.lines.set([]);
    this.note.set(undefined);
    this.panning.set(this.#spaceHeld);
  }

  #pan(from: Point): void {
    let last = from;
    this.panning.set(true);
    this.#drag = {
      move: (event) => {
        const at = this.local(event);
        this.view.panBy({ x: at.x - last.x, y: at.y - last.y });
        last = at;
      },
      end: () => undefined,
      cancel: () => undefined,
    };
  }

  /** Draws a box, or a free loop, and adds what lies wholly within; a mere click adds or takes away what lies under it. */
  #enclose(from: Point, free: boolean, under: Appearance | undefined): void {
    let loop: Point[] = [];
    this.#drag = {
      move: (event) => {
        const at = this.local(event);
        if (loop.length === 0 && Math.hypot(at.x - from.x, at.y - from.y) < SLIP_PX) return;
        loop = free ? [...(loop.length === 0 ? [from] : loop), at] : [from, { x: at.x, y: from.y }, at, { x: from.x, y: at.y }];
        this.loop.set(loop);
      },
      end: () => {
        const { ids } = this.bench.selection.getState();
        if (loop.length === 0) {
          if (under) this.bench.choose(ids.includes(under.id) ? ids.filter((id) => id !== under.id) : [...ids, under.id], under.steps);
          return;
        }
        const viewport = this.view.getViewport();
        const found = enclosed(this.bench.free, this.view.pickables, latticeOf(this.bench.design.repeat), loop.map((at) => toMm(viewport, at)));
        const { each } = this.bench.selection.getState();
        this.bench.choose([...new Set([...ids, ...found.map(({ id }) => id)])], found[0]?.steps, new Map([...(each ?? []), ...found.map(({ id, steps }) => [id, steps] as const)]));
        this.bench.said.set(`${found.length} motifs in it`);
      },
      cancel: () => undefined,
    };
  }

  /** @param deeper what lies under the hand, where a click that moves nothing goes to the next below */
  #move(from: Point, deeper: readonly Appearance[]): void {
    const { chosen } = this.bench;
    // Painting apart begins with the press, so that it is there when the hand moves.
    this.view.hold(chosen.map(({ id }) => id));
    const snapping = this.#snappingOf(chosen);
    let command: Command | undefined;
    this.#drag = {
      move: (event) => {
        const at = this.local(event);
        const px = { x: at.x - from.x, y: at.y - from.y };
        if (!command && Math.hypot(px.x, px.y) < SLIP_PX) return;
        const by = this.#caught(this.#wholePixels(px), event.ctrlKey, snapping);
        const changes = Object.fromEntries(chosen.map(({ id, x, y }): [string, PlacementChange] => [id, { x: x + by.x, y: y + by.y }]));
        command = { type: 'change', changes };
        this.bench.session.preview(command);
        this.note.set({ at, text: `${formatNumber(by.x, 1)}, ${formatNumber(by.y, 1)} mm` });
      },
      end: () => {
        this.view.release();
        if (command) this.bench.commit(chosen.length === 1 ? 'Moved a motif' : `Moved ${chosen.length} motifs`, command);
        else if (deeper.length > 1) {
          const next = deeper[(deeper.findIndex(({ id }) => id === chosen[0]?.id) + 1) % deeper.length] as Appearance;
          this.bench.choose([next.id], next.steps);
        }
      },
      cancel: () => {
        this.bench.session.preview(undefined);
        this.view.release();
      },
    };
  }

  /** What is moved, where it was taken, and what can catch it. */
  #snappingOf(chosen: readonly Placement[]): { box: Box; targets: SnapTargets } | undefined {
    const { design, selection } = this.bench;
    const lattice = latticeOf(design.repeat);
    const motifs = new Map(this.bench.motifs.getState().map((motif) => [motif.id, motif]));
    const step = displacement(lattice, selection.getState().steps);
    const corners = gathered(lattice, chosen).flatMap((one) => {
      const motif = motifs.get(one.motif);
      return motif ? cornersAround(one, motif).map(({ x, y }) => ({ x: x + one.x + step.x, y: y + one.y + step.y })) : [];
    });
    if (corners.length === 0) return undefined;
    return { box: boxAround(corners), targets: snapTargets(lattice, design.placements, motifs, new Set(chosen.map(({ id }) => id))) };
  }

  /** How far it goes once lines have caught it; Ctrl held turns that off, or on where it is off. */
  #caught(by: Point, other: boolean, snapping: { box: Box; targets: SnapTargets } | undefined): Point {
    if (!snapping || this.bench.snapping.getState() === other) {
      this.lines.set([]);
      return by;
    }
    const reach = lengthToMm(this.view.getViewport(), { x: CATCH_PX, y: 0 }).x;
    const { by: more, lines } = snapped(shiftBox(snapping.box, by), snapping.targets, reach);
    this.lines.set(lines);
    return { x: by.x + more.x, y: by.y + more.y };
  }

  #shape(
    event: PointerEvent,
    steps: Steps,
    label: string,
    change: (placement: Placement, motif: DrawerMotif, from: Point, to: Point, event: PointerEvent) => { change: PlacementChange; text: string },
  ): void {
    const [placement] = this.bench.chosen;
    const motif = placement && this.bench.motif(placement.motif);
    if (!placement || !motif) return;
    this.area.setPointerCapture(event.pointerId);
    // Everything is reckoned where the placement itself lies, not its echo.
    const by = displacement(latticeOf(this.bench.design.repeat), steps);
    const own = (moved: PointerEvent): Point => {
      const mm = toMm(this.view.getViewport(), this.local(moved));
      return { x: mm.x - by.x, y: mm.y - by.y };
    };
    const from = own(event);
    this.view.hold([placement.id]);
    let command: Command | undefined;
    this.#drag = {
      move: (moved) => {
        const { change: next, text } = change(placement, motif, from, own(moved), moved);
        command = { type: 'change', changes: { [placement.id]: next } };
        this.bench.session.preview(command);
        this.note.set({ at: this.local(moved), text });
      },
      end: () => {
        this.view.release();
        if (command) this.bench.commit(label, command);
      },
      cancel: () => {
        this.bench.session.preview(undefined);
        this.view.release();
      },
    };
  }

  /** Two fingers move and zoom the cloth; says whether there are two. */
  #pinch(event: PointerEvent, at: Point): boolean {
    this.#touches.set(event.pointerId, at);
    if (this.#touches.size !== 2) return false;
    this.cancel();
    const read = (): { middle: Point; spread: number } => {
      const [a, b] = [...this.#touches.values()] as [Point, Point];
      return { middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, spread: Math.hypot(a.x - b.x, a.y - b.y) };
    };
    let last = read();
    this.#drag = {
      move: () => {
        if (this.#touches.size < 2) return;
        const next = read();
        this.view.panBy({ x: next.middle.x - last.middle.x, y: next.middle.y - last.middle.y });
        this.view.zoomAt(next.middle, next.spread / Math.max(1, last.spread));
        last = next;
      },
      end: () => undefined,
      cancel: () => undefined,
    };
    return true;
  }

  /** A displacement in mm that is whole in screen pixels, so that a moved motif stays as sharp as it was. */
  #wholePixels(px: Point): Point {
    const { density } = this.view.getViewport();
    return lengthToMm(this.view.getViewport(), { x: Math.round(px.x * density) / density, y: Math.round(px.y * density) / density });
  }

  #say(event: PointerEvent, placement: Placement | undefined): void {
    if (placement) this.note.set({ at: this.local(event), text: `${formatNumber(placement.x, 1)}, ${formatNumber(placement.y, 1)} mm` });
  }
}

function within(mm: number): number {
  return Math.min(LARGEST_CELL_MM, Math.max(SMALLEST_CELL_MM, mm));
}

/** Edges dragged by hand come to rest on half millimetres; anything finer is typed. */
function roundTo(mm: number): number {
  return Math.round(mm * 2) / 2;
}
