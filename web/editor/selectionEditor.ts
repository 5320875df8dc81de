import { EditorState, type InsideBundle } from './editorState.ts';
import { type Instance, MIDDLE, pointInFrame, toInstance } from '../../core/arrange/index.ts';
import { type Design, isEditable, type Placement } from '../../core/document/index.ts';
import { normaliseAngle, type Point } from '../../core/geometry/index.ts';
import {
  applyOpToPoint,
  applyOpToPose,
  IDENTITY_OP,
  type LatticeIndex,
  latticeTranslate,
  nearestInstanceIndex,
  placeInCell,
} from '../../core/lattice/index.ts';
import { formatLength } from '../../core/units/index.ts';
import { shownUnit } from '../ui/unit.ts';
import { reanchorSelection, selectInstances, NO_SELECTION, instancePoint, type Selection } from './selection.ts';
import { TEXTS } from './texts.ts';

/** Selecting: by ids and instances, near a point, one after the other; the selection follows what is changed. */
export abstract class SelectionEditor extends EditorState {
  constructor(design: Design, inside?: InsideBundle) {
    super(design, inside);
    this.session.subscribe(() => this.#keepUp());
  }

  /** @param at the instances that are meant of some of them */
  select(ids: readonly string[], at: readonly Instance[] = []): void {
    const free = new Set(this.editablePlacements.map(({ id }) => id));
    const before = this.selection.getState();
    const seats = at.flatMap(({ id, op, index }) => {
      const placement = op !== undefined && free.has(id) ? this.placement(id) : undefined;
      return placement ? [{ id, op: op ?? 0, at: this.#shownAt(placement, op, index) }] : [];
    });
    const next = selectInstances(
      this.lattice,
      this.placementMap,
      before,
      ids.filter((id) => free.has(id)),
      seats.length === 0 ? at : [...at.filter(({ op }) => op === undefined), ...this.#renormalise(seats)],
    );
    if (next.ids.join(' ') !== before.ids.join(' ')) this.anchor.set(MIDDLE);
    this.lastSeen = this.#seenNow(next);
    const last = next.ids.at(-1);
    if (last !== undefined) this.layerId = this.placement(last)?.layer ?? this.layerId;
    this.selection.set(next);
  }

  /** Chooses motifs where they lie nearest to a point of the cloth, by an instance or a reflection. */
  selectNear(ids: readonly string[], point: Point): void {
    const { lattice } = this;
    const instances = ids.flatMap((id): Instance[] => {
      const placement = this.placement(id);
      if (!placement) return [];
      const shown = lattice.ops.map((image, n) => {
        const there = applyOpToPoint(image, placement);
        const steps = nearestInstanceIndex(lattice, there, point);
        const by = latticeTranslate(lattice, steps);
        return {
          instance: toInstance(id, steps, n),
          far: Math.hypot(there.x + by.x - point.x, there.y + by.y - point.y),
        };
      });
      return [shown.reduce((best, one) => (one.far < best.far ? one : best)).instance];
    });
    this.select(ids, instances);
  }

  /** Takes what is chosen at another instance of one of it. */
  reanchorTo(instance: Instance): void {
    const before = this.selection.getState();
    const { id, index, op } = instance;
    if (op !== undefined) {
      // Where a reflection is taken, all that is chosen is reflected along with it.
      const from = latticeTranslate(this.lattice, before.indices.get(id) ?? { i: 0, j: 0 });
      const seats = this.selectedInstances.map((placement) => ({
        id: placement.id,
        op,
        at: this.#shownAt({ x: placement.x - from.x, y: placement.y - from.y }, op, index),
      }));
      this.select(before.ids, this.#renormalise(seats));
      return;
    }
    const next = reanchorSelection(before, instance);
    this.lastSeen = this.#seenNow(next);
    this.selection.set(next);
  }

  /** Where an image, so many steps away, shows a point. */
  #shownAt(point: Point, image: number | undefined, steps: LatticeIndex): Point {
    const { lattice } = this;
    const there = applyOpToPoint(lattice.ops[image ?? 0] ?? IDENTITY_OP, point);
    const by = latticeTranslate(lattice, steps);
    return { x: there.x + by.x, y: there.y + by.y };
  }

  /** Takes reflections for the motifs themselves, which changes nothing on the cloth; each is an instance of what is stored then. */
  #renormalise(seats: readonly { readonly id: string; readonly op: number; readonly at: Point }[]): Instance[] {
    const changes = seats.flatMap(({ id, op, at }) => {
      const placement = this.placement(id);
      if (!placement) return [];
      const { rotation, skew, flipped } = applyOpToPose(this.lattice.ops[op] ?? IDENTITY_OP, placement);
      return [[id, { ...at, rotation: normaliseAngle(rotation), skew, flipped }] as const];
    });
    for (const [id, { x, y }] of changes) this.lastSeen.set(id, { x, y });
    this.session.renormalise({ type: 'change', changes: Object.fromEntries(changes) });
    return changes.map(([id, at]) => ({ id, index: nearestInstanceIndex(this.lattice, this.placement(id) ?? at, at) }));
  }

  selectAll(): void {
    // As they lie in the cell, and not as they are seen in one beside it.
    this.select(
      this.editablePlacements.map(({ id }) => id),
      this.editablePlacements.map(({ id }) => ({ id, index: { i: 0, j: 0 } })),
    );
    this.announcement.set(TEXTS.countMotifsSelected(this.editablePlacements.length));
  }

  /** Where the point of what is chosen lies, seen from the cell that holds its middle, mm. */
  get shownPlace(): Point | undefined {
    const {
      frame,
      pivot,
      lattice,
      selectedPlacements: [first, second],
    } = this;
    if (!frame || !pivot || !first) return undefined;
    if (!second && this.anchor.getState() === MIDDLE) return placeInCell(lattice, first);
    const middle = pointInFrame(frame, MIDDLE);
    const home = placeInCell(lattice, middle);
    return { x: home.x + pivot.x - middle.x, y: home.y + pivot.y - middle.y };
  }

  /** Goes through the stack, one motif at a time. */
  selectNext(by: 1 | -1): void {
    const placements = this.editablePlacements;
    if (placements.length === 0) return;
    const last = this.selection.getState().ids.at(-1);
    const at = placements.findIndex(({ id }) => id === last);
    const next = placements[(at + by + placements.length) % placements.length] as Placement;
    this.select([next.id]);
    const { x, y } = placeInCell(this.lattice, next);
    const unit = shownUnit();
    this.announcement.set(TEXTS.atXY(this.motif(next.motif)?.name, formatLength(x, unit), formatLength(y, unit)));
  }

  /** Works in this layer from now on: what is laid without anything chosen comes into it. */
  setWorkingLayer(layer: string): void {
    this.layerId = layer;
    this.select([]);
    this.announcement.set(TEXTS.workingIn(this.design.layers.find(({ id }) => id === layer)?.name));
    // Nothing may have been chosen before, and still the list has changed.
    this.selection.set({ ...NO_SELECTION });
  }

  #seenNow({ indices }: Selection): Map<string, Point> {
    const { lattice } = this;
    return new Map(
      [...indices].flatMap(([id, steps]) => {
        const placement = this.placement(id);
        return placement ? [[id, instancePoint(lattice, placement, steps)] as const] : [];
      }),
    );
  }

  /** After a change: what is gone or out of reach is chosen no longer, and what was moved is meant where it was seen. */
  #keepUp(): void {
    const { ids, indices } = this.selection.getState();
    if (ids.length === 0) return;
    const closed = new Set(this.design.layers.filter((layer) => !isEditable(layer)).map(({ id }) => id));
    const left = ids.filter((id) => {
      const placement = this.placement(id);
      return placement && !closed.has(placement.layer);
    });
    if (left.length < ids.length) {
      this.select(left);
      return;
    }
    const { lattice } = this;
    let moved: Map<string, LatticeIndex> | undefined;
    for (const id of ids) {
      const placement = this.placement(id) as Placement;
      const steps = indices.get(id) ?? { i: 0, j: 0 };
      const seen = this.lastSeen.get(id);
      const by = latticeTranslate(lattice, steps);
      if (!seen || (seen.x === placement.x + by.x && seen.y === placement.y + by.y)) continue;
      const next = nearestInstanceIndex(lattice, placement, seen);
      if (next.i !== steps.i || next.j !== steps.j) (moved ??= new Map(indices)).set(id, next);
      this.lastSeen.set(id, instancePoint(lattice, placement, next));
    }
    if (moved) this.selection.set({ ids, indices: moved });
  }
}
