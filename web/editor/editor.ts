import type { DesignMotif } from '../../contract/index.ts';
import { Session } from './session.ts';
import { nanoid } from 'nanoid';
import { createContext, useContext } from 'react';
import {
  addLayer,
  changeLayer,
  duplicate,
  type Frame,
  frameOf,
  type FramePoint,
  type Instance,
  mergeLayerDown,
  MIDDLE,
  moveBeside,
  moveIntoLayer,
  moveLayer,
  type PlacementChanges,
  pointInFrame,
  poseAbout,
  removeLayer,
  restack,
  restackByOne,
  toInstance,
  transformPlacements,
} from '../../core/arrange/index.ts';
import { type OpenedBundle, replacePlacements } from '../../core/bundle/index.ts';
import type { Findings } from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import {
  type Command,
  type Design,
  isEditable,
  type Layer,
  missingInks,
  newLayer,
  newPlacement,
  type Placement,
  type PlacementChange,
  placeMotif,
  replaceMotif,
  withInks,
} from '../../core/document/index.ts';
import { normaliseAngle, type Point, type Pose } from '../../core/geometry/index.ts';
import {
  applyOpToPoint,
  applyOpToPose,
  IDENTITY_OP,
  type Lattice,
  type LatticeIndex,
  latticeOf,
  latticeTranslate,
  nearestInstanceIndex,
  type Repeat,
} from '../../core/lattice/index.ts';
import type { LayoutRecipe } from '../../core/recipe/index.ts';
import type { Hole } from '../../core/toss/index.ts';
import type { Viewport } from '../cloth/viewport.ts';
import { Cell } from '../ui/store.ts';
import { Tossing } from './tossRun.ts';
import { clipboardContentOf, memoryClipboard, type ClipboardStore } from './clipboard.ts';
import { reanchorSelection, selectInstances, NO_SELECTION, instancePoint, type Selection } from './selection.ts';

/** Which part of the job the ticket shows. */
export type Part = 'motifs' | 'repeat' | 'arrange' | 'colour';
/** Which side of the arranging is shown: what is chosen, the whole stack, rows and grids, the toss, or what the eye would catch on. */
export type ArrangeSide = 'chosen' | 'stack' | 'rows' | 'toss' | 'check';

/** A copy beside lies this far off, mm. */
const BESIDE: Point = { x: 8, y: 8 };

/** A bundle that lies open, and its name. */
export interface InsideBundle {
  readonly name: string;
  readonly motif: string;
  readonly opened: OpenedBundle;
}

/** A recipe of rows or a grid that is being made, and what of the cloth is to become part of it. */
export interface LayoutDraft {
  readonly recipe: LayoutRecipe;
  readonly taken: readonly string[];
}

/** What is chosen where it is meant, and what that was reckoned from. */
interface SelectedState {
  readonly design: Design;
  readonly selection: Selection;
  readonly motifs: readonly DesignMotif[];
  readonly selectedInstances: readonly Placement[];
  readonly frame: Frame | undefined;
}

/** Placements taken in hand: where they are stored, and where they are meant. */
export interface DragStart {
  readonly placements: readonly Placement[];
  readonly selectedInstances: readonly Placement[];
}

/**
 * One design on the bench: its session, what is chosen, and everything the hands can do to it. Knows neither the
 * screen nor the server, so that keys, buttons and pointers all go through the same few methods.
 */
export class Editor {
  readonly session: Session;
  readonly selection = new Cell<Selection>(NO_SELECTION);
  /** The point of what is chosen that turning, sizing and typed places go by. */
  readonly anchor = new Cell<FramePoint>(MIDDLE);
  readonly part = new Cell<Part>('arrange');
  readonly arrangeSide = new Cell<ArrangeSide>('chosen');
  /** The ink that the colour part shows opened. */
  readonly ink = new Cell<string | undefined>(undefined);
  /** Every motif that is known here: those the design names, and those of the drawer that were looked at. */
  readonly motifs = new Cell<readonly DesignMotif[]>([]);
  readonly #motifSources = new Map<string, readonly DesignMotif[]>();
  /** Whether what is moved is caught by lines near it. */
  readonly snapping = new Cell(false);
  readonly guidesShown = new Cell(true);
  /** Whether what lies in the cell grows along when the cell does. */
  readonly contentsFollow = new Cell(false);
  /** The holes that are marked on the cloth. */
  readonly holes = new Cell<readonly Hole[]>([]);
  /** What the eye would catch on, marked on the cloth; undefined while nobody looks. */
  readonly findings = new Cell<Findings | undefined>(undefined);
  /** The mark that was taken last, by its key. */
  readonly mark = new Cell<string | undefined>(undefined);
  /** Said to those who do not see the cloth. */
  readonly announcement = new Cell('');
  /** Why something could not be done: a sentence, until it is taken away. */
  readonly refusal = new Cell<string | undefined>(undefined);
  readonly layoutDraft = new Cell<LayoutDraft | undefined>(undefined);
  readonly tossing = new Tossing(this);
  clipboard: ClipboardStore = memoryClipboard();

  /** Where the cloth was looked at last, for whoever comes after. */
  viewport: Viewport | undefined;

  #layer: string;
  /** Where the chosen appearances were seen last, to know them again after a change. */
  #seen = new Map<string, Point>();
  #known: SelectedState | undefined;
  #free: { readonly design: Design; readonly placements: readonly Placement[] } | undefined;
  #lattice: { readonly repeat: Repeat; readonly lattice: Lattice } | undefined;
  #byId: { readonly list: readonly Placement[]; readonly map: ReadonlyMap<string, Placement> } | undefined;
  #motifMap: { readonly list: readonly DesignMotif[]; readonly map: ReadonlyMap<string, DesignMotif> } | undefined;

  /** @param inside the bundle that lies open, where this bench is for its parts alone */
  constructor(
    design: Design,
    readonly inside?: InsideBundle,
  ) {
    this.session = new Session(design);
    this.#layer = inside?.opened.placement.layer ?? design.layers.at(-1)?.id ?? '';
    this.session.subscribe(() => this.#keepUp());
  }

  get design(): Design {
    return this.session.state.design;
  }

  /** The same object as long as the repeat is the same. */
  get lattice(): Lattice {
    const { repeat } = this.design;
    if (this.#lattice?.repeat !== repeat) this.#lattice = { repeat, lattice: latticeOf(repeat) };
    return this.#lattice.lattice;
  }

  get selectedPlacements(): Placement[] {
    const held = new Set(this.selection.getState().ids);
    return held.size === 0 ? [] : this.design.placements.filter(({ id }) => held.has(id));
  }

  /** What is chosen, each where it is meant on the plane, which may be an echo. */
  get selectedInstances(): readonly Placement[] {
    return this.#taken.selectedInstances;
  }

  /** What is chosen and the frame around it; asked for by many in one frame, and reckoned once. */
  get #taken(): SelectedState {
    const { design, lattice } = this;
    const selection = this.selection.getState();
    const motifs = this.motifs.getState();
    const selectedState = this.#known;
    if (selectedState?.design === design && selectedState.selection === selection && selectedState.motifs === motifs)
      return selectedState;
    const selectedInstances = this.selectedPlacements.map((placement) => ({
      ...placement,
      ...instancePoint(lattice, placement, selection.indices.get(placement.id)),
    }));
    return (this.#known = {
      design,
      selection,
      motifs,
      selectedInstances,
      frame: frameOf(selectedInstances, this.motifMap),
    });
  }

  /** What can be taken in hand: all of it that no layer hides or locks, or the parts of the bundle that lies open. */
  get editablePlacements(): readonly Placement[] {
    const { design, inside } = this;
    if (this.#free?.design !== design) {
      const closed = new Set(design.layers.filter((layer) => !isEditable(layer)).map(({ id }) => id));
      const placements =
        closed.size === 0 && !inside
          ? design.placements
          : design.placements.filter(({ id, layer }) => !closed.has(layer) && !inside?.opened.others.has(id));
      this.#free = { design, placements };
    }
    return this.#free.placements;
  }

  /** The layer that new things come into where nothing is chosen; undefined where all are hidden or locked. */
  get layer(): Layer | undefined {
    const { layers } = this.design;
    return layers.find((layer) => layer.id === this.#layer && isEditable(layer)) ?? layers.findLast(isEditable);
  }

  /** The layer that the list shows as worked in, though it may be hidden or locked. */
  get workingLayer(): string {
    const { layers } = this.design;
    return (layers.find(({ id }) => id === this.#layer) ?? layers.at(-1))?.id ?? '';
  }

  /** Takes over where another bench's cloth is looked at, and what was copied there. */
  copyViewFrom(other: Editor): void {
    this.viewport = other.viewport;
    this.clipboard = other.clipboard;
  }

  /** Makes motifs known; those that the same source named before are known no longer. Of two of one id the design's counts. */
  learn(source: 'design' | 'drawer', motifs: readonly DesignMotif[]): void {
    this.#motifSources.set(source, motifs);
    const known = new Map<string, DesignMotif>();
    for (const list of [this.#motifSources.get('drawer') ?? [], this.#motifSources.get('design') ?? []])
      for (const motif of list) known.set(motif.id, motif);
    this.motifs.set([...known.values()]);
  }

  motif(id: string): DesignMotif | undefined {
    return this.motifMap.get(id);
  }

  get motifMap(): ReadonlyMap<string, DesignMotif> {
    const list = this.motifs.getState();
    if (this.#motifMap?.list !== list) this.#motifMap = { list, map: new Map(list.map((motif) => [motif.id, motif])) };
    return this.#motifMap.map;
  }

  get #placements(): ReadonlyMap<string, Placement> {
    const list = this.design.placements;
    if (this.#byId?.list !== list)
      this.#byId = { list, map: new Map(list.map((placement) => [placement.id, placement])) };
    return this.#byId.map;
  }

  placement(id: string): Placement | undefined {
    return this.#placements.get(id);
  }

  /** @param at the appearances that are meant of some of them */
  select(ids: readonly string[], at: readonly Instance[] = []): void {
    const free = new Set(this.editablePlacements.map(({ id }) => id));
    const before = this.selection.getState();
    const seats = at.flatMap(({ id, op, index }) => {
      const placement = op !== undefined && free.has(id) ? this.placement(id) : undefined;
      return placement ? [{ id, op: op ?? 0, at: this.#shownAt(placement, op, index) }] : [];
    });
    const next = selectInstances(
      this.lattice,
      this.#placements,
      before,
      ids.filter((id) => free.has(id)),
      seats.length === 0 ? at : [...at.filter(({ op }) => op === undefined), ...this.#renormalise(seats)],
    );
    if (next.ids.join(' ') !== before.ids.join(' ')) this.anchor.set(MIDDLE);
    this.#seen = this.#seenNow(next);
    const last = next.ids.at(-1);
    if (last !== undefined) this.#layer = this.placement(last)?.layer ?? this.#layer;
    this.selection.set(next);
  }

  /** Chooses motifs where they lie nearest to a point of the cloth, by an echo or a reflection. */
  selectNear(ids: readonly string[], point: Point): void {
    const { lattice } = this;
    const appearances = ids.flatMap((id): Instance[] => {
      const placement = this.placement(id);
      if (!placement) return [];
      const shown = lattice.ops.map((image, n) => {
        const there = applyOpToPoint(image, placement);
        const steps = nearestInstanceIndex(lattice, there, point);
        const by = latticeTranslate(lattice, steps);
        return {
          appearance: toInstance(id, steps, n),
          far: Math.hypot(there.x + by.x - point.x, there.y + by.y - point.y),
        };
      });
      return [shown.reduce((best, one) => (one.far < best.far ? one : best)).appearance];
    });
    this.select(ids, appearances);
  }

  /** Takes what is chosen at another appearance of one of it. */
  reanchorTo(appearance: Instance): void {
    const before = this.selection.getState();
    const { id, index, op } = appearance;
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
    const next = reanchorSelection(before, appearance);
    this.#seen = this.#seenNow(next);
    this.selection.set(next);
  }

  /** Where an image, so many steps away, shows a point. */
  #shownAt(point: Point, image: number | undefined, steps: LatticeIndex): Point {
    const { lattice } = this;
    const there = applyOpToPoint(lattice.ops[image ?? 0] ?? IDENTITY_OP, point);
    const by = latticeTranslate(lattice, steps);
    return { x: there.x + by.x, y: there.y + by.y };
  }

  /** Takes reflections for the motifs themselves, which changes nothing on the cloth; each is an appearance of what is stored then. */
  #renormalise(seats: readonly { readonly id: string; readonly op: number; readonly at: Point }[]): Instance[] {
    const changes = seats.flatMap(({ id, op, at }) => {
      const placement = this.placement(id);
      if (!placement) return [];
      const { rotation, skew, flipped } = applyOpToPose(this.lattice.ops[op] ?? IDENTITY_OP, placement);
      return [[id, { ...at, rotation: normaliseAngle(rotation), skew, flipped }] as const];
    });
    for (const [id, { x, y }] of changes) this.#seen.set(id, { x, y });
    this.session.renormalise({ type: 'change', changes: Object.fromEntries(changes) });
    return changes.map(([id, at]) => ({ id, index: nearestInstanceIndex(this.lattice, this.placement(id) ?? at, at) }));
  }

  selectAll(): void {
    this.select(this.editablePlacements.map(({ id }) => id));
    this.announcement.set(`${this.editablePlacements.length} motifs chosen`);
  }

  /** Goes through the stack, one motif at a time. */
  selectNext(by: 1 | -1): void {
    const placements = this.editablePlacements;
    if (placements.length === 0) return;
    const last = this.selection.getState().ids.at(-1);
    const at = placements.findIndex(({ id }) => id === last);
    const next = placements[(at + by + placements.length) % placements.length] as Placement;
    this.select([next.id]);
    this.announcement.set(
      `${this.motif(next.motif)?.name ?? 'Motif'} at ${next.x.toFixed(1)}, ${next.y.toFixed(1)} mm`,
    );
  }

  /** Works in this layer from now on: what is laid without anything chosen comes into it. */
  setWorkingLayer(layer: string): void {
    this.#layer = layer;
    this.select([]);
    this.announcement.set(`Working in ${this.design.layers.find(({ id }) => id === layer)?.name ?? 'no layer'}`);
    // Nothing may have been chosen before, and still the list has changed.
    this.selection.set({ ...NO_SELECTION });
  }

  /** The frame around what is chosen, where it is meant. */
  get frame(): Frame | undefined {
    return this.#taken.frame;
  }

  /** The point of what is chosen that things are done about, on the plane. */
  get pivot(): Point | undefined {
    const { frame } = this;
    return frame && pointInFrame(frame, this.anchor.getState());
  }

  commit(label: string, command: Command): void {
    this.session.commit(label, command);
    this.announcement.set(label);
  }

  undo(): void {
    const edit = this.session.undo();
    this.announcement.set(edit ? `Undone: ${edit.label}` : 'Nothing to undo');
  }

  redo(): void {
    const edit = this.session.redo();
    this.announcement.set(edit ? `Done again: ${edit.label}` : 'Nothing to do again');
  }

  /** Goes so many steps back (below 0) or forward. */
  goToStep(by: number): void {
    for (let n = 0; n < Math.abs(by); n += 1) {
      if (by < 0) this.session.undo();
      else this.session.redo();
    }
    this.announcement.set(this.session.state.past.at(-1)?.label ?? 'As it was opened');
  }

  /** Changes every chosen motif by what `change` says of it. */
  change(label: string, change: (placement: Placement, n: number) => PlacementChange): void {
    const { selectedPlacements } = this;
    if (selectedPlacements.length === 0) return;
    this.commit(label, {
      type: 'change',
      changes: Object.fromEntries(selectedPlacements.map((placement, n) => [placement.id, change(placement, n)])),
    });
  }

  /**
   * Shows chosen motifs changed, told where they are meant, or does so for good where there is a label. The appearance
   * that is meant goes along, however far off the cell.
   */
  arrange(changes: PlacementChanges, label?: string): void {
    for (const [id, { x, y }] of Object.entries(changes))
      if (x !== undefined && y !== undefined) this.#seen.set(id, { x, y });
    const command: Command = { type: 'change', changes };
    if (label === undefined) this.session.preview(command);
    else this.commit(label, command);
  }

  /** Does to what is chosen what a pose of the plane does, together. */
  #pose(label: string, by: Pose): void {
    const { selectedInstances } = this;
    const changes = transformPlacements(selectedInstances, by);
    const [only] = selectedInstances;
    // One that is turned or sized about its middle stays where it is to the bit.
    if (changes && selectedInstances.length === 1 && only && this.anchor.getState() === MIDDLE)
      this.arrange({ [only.id]: { ...changes[only.id], x: only.x, y: only.y } }, label);
    else if (changes) this.arrange(changes, label);
    else
      this.refusal.set('That would make a motif smaller, larger or more slanted than it can be. Nothing was changed.');
  }

  /** Takes what is chosen in hand, as it lies now. */
  startDrag(): DragStart {
    return { placements: this.selectedPlacements, selectedInstances: this.selectedInstances };
  }

  /** Shows what was taken in hand moved, or moves it for good where there is a label. Reckoned from its own place and not from an echo, so that no rounding creeps in. */
  move({ placements, selectedInstances }: DragStart, by: Point, label?: string): void {
    for (const { id, x, y } of selectedInstances) this.#seen.set(id, { x: x + by.x, y: y + by.y });
    const command: Command = {
      type: 'change',
      changes: Object.fromEntries(placements.map(({ id, x, y }) => [id, { x: x + by.x, y: y + by.y }])),
    };
    if (label === undefined) this.session.preview(command);
    else this.commit(label, command);
  }

  nudge(by: Point): void {
    const grip = this.startDrag();
    if (grip.placements.length > 0) this.move(grip, by, 'Moved');
  }

  /** Moves what is chosen by shares of the cell. */
  nudgeByCell(by: Point): void {
    const { width, height } = this.design.repeat;
    this.nudge({ x: by.x * width, y: by.y * height });
  }

  /** Shows another motif in the stead of those chosen, where they lie and as large. */
  replaceSelected(motif: DesignMotif): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0) this.commit(`Replaced by ${motif.name}`, replaceMotif(this.design, ids, this.motifMap, motif));
  }

  /** Turns what is chosen, together, about its point. */
  rotate(degrees: number): void {
    const { pivot } = this;
    if (pivot) this.#pose('Turned', poseAbout(pivot, { rotation: degrees }));
  }

  scaleBy(factor: number): void {
    const { pivot } = this;
    if (pivot) this.#pose('Resized', poseAbout(pivot, { scale: factor }));
  }

  /** Does to what is chosen what a pose of the plane does; nothing where there is none. */
  transformBy(label: string, by: Pose | undefined): void {
    if (by) this.#pose(label, by);
  }

  /** Mirrored left to right as it is seen, or top to bottom. */
  flip(down = false): void {
    const { pivot } = this;
    if (pivot) this.#pose('Mirrored', poseAbout(pivot, { flipped: true, rotation: down ? 180 : 0 }));
  }

  remove(): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    this.commit(ids.length === 1 ? 'Deleted a motif' : `Deleted ${ids.length} motifs`, { type: 'remove', ids });
    this.select([]);
  }

  /** Lays copies directly above what is chosen: beside it, or where it lies. */
  duplicate(inPlace = false): void {
    const { ids, indices } = this.selection.getState();
    if (ids.length === 0) return;
    const originals = this.selectedPlacements;
    const { command, copies } = duplicate(this.design, ids, inPlace ? { x: 0, y: 0 } : BESIDE, nanoid);
    this.commit(inPlace ? 'Duplicated in place' : 'Duplicated', command);
    this.select(
      copies.map(({ id }) => id),
      copies.flatMap(({ id }, n) => ({ id, index: indices.get(originals[n]?.id ?? '') ?? { i: 0, j: 0 } })),
    );
  }

  /** Puts placements in the stead of those chosen, as one step. */
  replaceSelectedWith(label: string, placements: readonly Placement[]): void {
    this.commit(label, replacePlacements(this.design, this.selection.getState().ids, placements));
    this.select(placements.map(({ id }) => id));
  }

  /** Takes up the inks of motifs whose artwork has others than when they were laid. */
  adoptInks(): void {
    const used = new Set(this.design.placements.map(({ motif }) => motif));
    const inks = missingInks(this.design, [
      ...new Set(
        this.motifs
          .getState()
          .filter(({ id }) => used.has(id))
          .flatMap((motif) => motif.inks),
      ),
    ]);
    if (inks.length === 0) return;
    this.commit(inks.length === 1 ? 'Took up an ink' : `Took up ${inks.length} inks`, {
      type: 'add-inks',
      inks,
      colours: Object.fromEntries(inks.map(({ id, prints }) => [id, prints[0] as Hex])),
    });
  }

  restack(to: 'front' | 'back'): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0)
      this.commit(to === 'front' ? 'Brought to the front' : 'Put at the back', restack(this.design, ids, to));
  }

  /** Brings what is chosen just over, or under, the next that it meets. */
  restackByOne(to: 'up' | 'down', overlap: (a: Placement, b: Placement) => boolean): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    const command = restackByOne(this.design, ids, to, overlap);
    if (command) this.commit(to === 'up' ? 'Brought one up' : 'Put one down', command);
    else
      this.announcement.set(to === 'up' ? 'Nothing in its layer lies over it' : 'Nothing in its layer lies under it');
  }

  changeLayer(label: string, id: string, change: Partial<Omit<Layer, 'id'>>): void {
    this.commit(label, changeLayer(this.design, id, change));
  }

  /** A new layer directly above the one being worked in; what is laid next comes into it. */
  addLayer(): void {
    const layer = newLayer(nanoid(8), `Layer ${this.design.layers.length + 1}`);
    this.commit(`Added ${layer.name}`, addLayer(this.design, layer, this.layer?.id));
    this.setWorkingLayer(layer.id);
  }

  removeLayer({ id, name }: Layer): void {
    const count = this.design.placements.filter(({ layer }) => layer === id).length;
    const command = removeLayer(this.design, id);
    if (command) this.commit(count === 0 ? `Deleted ${name}` : `Deleted ${name} and the ${count} in it`, command);
  }

  mergeDown({ id, name }: Layer): void {
    const merged = mergeLayerDown(this.design, id);
    if (!merged) return;
    this.commit(`Merged ${name} into ${merged.below.name}`, merged.command);
    this.setWorkingLayer(merged.below.id);
  }

  moveLayer({ id, name }: Layer, to: number): void {
    const command = moveLayer(this.design, id, to);
    if (command) this.commit(`Moved the layer ${name}`, command);
  }

  moveBeside(ids: readonly string[], other: string, where: 'over' | 'under'): void {
    const command = moveBeside(this.design, ids, other, where);
    if (command) this.commit('Moved in the stack', command);
  }

  intoLayer({ id, name }: Layer): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0) this.commit(`Moved into ${name}`, moveIntoLayer(this.design, ids, id));
  }

  copy(): void {
    const { selectedPlacements } = this;
    if (selectedPlacements.length === 0) return;
    try {
      this.clipboard.keep(clipboardContentOf(this.design, selectedPlacements));
      this.announcement.set(`${selectedPlacements.length} copied`);
    } catch (error) {
      this.refusal.set(
        `That could not be copied: this browser keeps no more (${error instanceof Error ? error.message : String(error)}).`,
      );
    }
  }

  cut(): void {
    this.copy();
    this.remove();
  }

  /**
   * Lays what was copied, in this window or another: at its own place, a little aside where it still lies there, or with its
   * middle at a point. It comes directly above what is chosen.
   */
  paste(to?: Point): void {
    const clip = this.clipboard.read();
    if (!clip) return;
    const placements = clip.placements.filter(({ motif }) => this.motif(motif));
    const lost = clip.placements.length - placements.length;
    if (lost > 0)
      this.refusal.set(
        `${lost === 1 ? 'One motif' : `${lost} motifs`} of what was copied ${lost === 1 ? 'is' : 'are'} not in the drawer any more; the rest was pasted.`,
      );
    const frame = frameOf(placements, this.motifMap);
    const { layer } = this;
    if (placements.length === 0 || !frame || !this.#canLay(layer)) return;
    const middle = pointInFrame(frame, MIDDLE);
    const isHere =
      placements.some(({ id }) => this.placement(id)) ||
      placements.every((placement) =>
        this.design.placements.some(
          ({ x, y, motif }) => x === placement.x && y === placement.y && motif === placement.motif,
        ),
      );
    const by = to ? { x: to.x - middle.x, y: to.y - middle.y } : isHere ? BESIDE : { x: 0, y: 0 };
    const copies = placements.map((placement) => ({
      ...placement,
      id: nanoid(),
      layer: layer.id,
      x: placement.x + by.x,
      y: placement.y + by.y,
    }));
    const over = this.design.placements.findLastIndex(({ id }) => this.selection.getState().ids.includes(id));
    const first = over < 0 ? this.design.placements.length : over + 1;
    const colours = new Map(clip.inks.map(({ print, colour }) => [print, colour]));
    const motifs = placements.flatMap(({ motif }) => this.motif(motif) ?? []);
    const insert: Command = {
      type: 'insert',
      placements: copies.map((placement, i) => ({ index: first + i, placement })),
    };
    this.commit(
      'Pasted',
      withInks(this.design, motifs, insert, (print) => colours.get(print) ?? print),
    );
    const { lattice } = this;
    this.select(
      copies.map(({ id }) => id),
      copies.map(({ id, x, y }) => ({
        id,
        index: nearestInstanceIndex(lattice, this.placement(id) ?? { x, y }, { x, y }),
      })),
    );
  }

  /** The command that lays a motif at a place, directly above what is chosen or on top of the layer being worked in. */
  placeCommand(motif: DesignMotif, at: Point, id: string = nanoid()): { id: string; command: Command } | undefined {
    const { layer } = this;
    if (!this.#canLay(layer)) return undefined;
    return {
      id,
      command: placeMotif(
        this.design,
        motif,
        { ...newPlacement(id, motif, at), layer: layer.id },
        this.selection.getState().ids.at(-1),
      ),
    };
  }

  place(motif: DesignMotif, at: Point): void {
    const laid = this.placeCommand(motif, at);
    if (!laid) return;
    this.commit(`Laid ${motif.name}`, laid.command);
    this.selectPlaced(laid.id, at);
  }

  /** Chooses what was laid, at the appearance where it was laid. */
  selectPlaced(id: string, at: Point): void {
    const placement = this.placement(id);
    this.select([id], placement ? [{ id, index: nearestInstanceIndex(this.lattice, placement, at) }] : []);
  }

  #canLay(layer: Layer | undefined): layer is Layer {
    if (!layer)
      this.refusal.set('Every layer is hidden or locked, so nothing can be laid. Open one in the stack first.');
    return layer !== undefined;
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
      const seen = this.#seen.get(id);
      const by = latticeTranslate(lattice, steps);
      if (!seen || (seen.x === placement.x + by.x && seen.y === placement.y + by.y)) continue;
      const next = nearestInstanceIndex(lattice, placement, seen);
      if (next.i !== steps.i || next.j !== steps.j) (moved ??= new Map(indices)).set(id, next);
      this.#seen.set(id, instancePoint(lattice, placement, next));
    }
    if (moved) this.selection.set({ ids, indices: moved });
  }
}

export const EditorContext = createContext<Editor | undefined>(undefined);

/** The bench of the design that is open. */
export function useEditor(): Editor {
  const bench = useContext(EditorContext);
  if (!bench) throw new Error('there is no bench here');
  return bench;
}
