import { nanoid } from 'nanoid';
import { createContext, useContext } from 'react';
import type { OpenedBundle } from '../../core/bundle/openBundle.ts';
import { exchange } from '../../core/bundle/exchange.ts';
import type { Hex } from '../../core/colour/hex.ts';
import { duplicate } from '../../core/arrange/duplicate.ts';
import { withinTurn } from '../../core/arrange/pins.ts';
import { restack } from '../../core/arrange/restack.ts';
import type { Command } from '../../core/document/command.ts';
import type { Design } from '../../core/document/design.ts';
import { layMotif, missingInks, placementOf, replaceMotif } from '../../core/document/place.ts';
import type { Placement, PlacementChange } from '../../core/document/placement.ts';
import { Session } from '../../core/document/session.ts';
import type { Point } from '../../core/geometry/point.ts';
import type { Steps } from '../../core/repeat/lattice.ts';
import type { DrawerMotif } from '../api/motifs.ts';
import type { Viewport } from '../cloth/viewport.ts';
import { Cell } from '../shared/store.ts';

/** Which part of the job the ticket shows. */
export type Part = 'motifs' | 'repeat' | 'arrange' | 'colour';

/** What is chosen on the cloth, and the appearance at which its pins are shown. */
export interface Selection {
  readonly ids: readonly string[];
  readonly steps: Steps;
  /** The appearances of those that were chosen at others. */
  readonly each?: ReadonlyMap<string, Steps>;
}

const NOTHING: Selection = { ids: [], steps: { i: 0, j: 0 } };
/** A copy beside lies this far off, mm. */
const BESIDE: Point = { x: 8, y: 8 };

/** A bundle that lies open, and its name. */
export interface InsideBundle {
  readonly name: string;
  readonly motif: string;
  readonly opened: OpenedBundle;
}

/**
 * One design on the bench: its session, what is chosen, and everything the hands can do to it. Knows neither the
 * screen nor the server, so that keys, buttons and pointers all go through the same few methods.
 */
export class Bench {
  readonly session: Session;
  readonly selection = new Cell<Selection>(NOTHING);
  readonly part = new Cell<Part>('arrange');
  /** The ink that the colour part shows opened. */
  readonly ink = new Cell<string | undefined>(undefined);
  readonly motifs = new Cell<readonly DrawerMotif[]>([]);
  /** Whether what is moved is caught by lines near it. */
  readonly snapping = new Cell(false);
  /** Said to those who do not see the cloth. */
  readonly said = new Cell('');
  #clipboard: readonly Placement[] = [];

  /** Where the cloth was looked at last, for whoever comes after. */
  viewport: Viewport | undefined;

  /** @param inside the bundle that lies open, where this bench is for its parts alone */
  constructor(
    design: Design,
    readonly inside?: InsideBundle,
  ) {
    this.session = new Session(design);
    // What was undone away cannot stay chosen.
    this.session.subscribe(() => {
      const { ids } = this.selection.getState();
      if (ids.length === 0) return;
      const here = new Set(this.session.state.design.placements.map(({ id }) => id));
      if (!ids.every((id) => here.has(id))) this.choose(ids.filter((id) => here.has(id)));
    });
  }

  get design(): Design {
    return this.session.state.design;
  }

  get chosen(): Placement[] {
    const held = new Set(this.selection.getState().ids);
    return this.design.placements.filter(({ id }) => held.has(id));
  }

  /** What can be taken in hand: all of it, or the parts of the bundle that lies open. */
  get free(): readonly Placement[] {
    const { inside } = this;
    return inside ? this.design.placements.filter(({ id }) => !inside.opened.others.has(id)) : this.design.placements;
  }

  /** Takes over where another bench's cloth is looked at. */
  lookAs(other: Bench): void {
    this.viewport = other.viewport;
  }

  motif(id: string): DrawerMotif | undefined {
    return this.motifs.getState().find((motif) => motif.id === id);
  }

  choose(ids: readonly string[], steps: Steps = this.selection.getState().steps, each = this.selection.getState().each): void {
    this.selection.set(ids.length === 0 ? NOTHING : { ids, steps, ...(each && { each }) });
  }

  chooseAll(): void {
    this.choose(this.free.map(({ id }) => id));
    this.said.set(`${this.free.length} motifs chosen`);
  }

  /** Goes through the stack, one motif at a time. */
  chooseNext(by: 1 | -1): void {
    const placements = this.free;
    if (placements.length === 0) return;
    const last = this.selection.getState().ids.at(-1);
    const at = placements.findIndex(({ id }) => id === last);
    const next = placements[(at + by + placements.length) % placements.length] as Placement;
    this.choose([next.id]);
    this.said.set(`${this.motif(next.motif)?.name ?? 'Motif'} at ${next.x.toFixed(1)}, ${next.y.toFixed(1)} mm`);
  }

  commit(label: string, command: Command): void {
    this.session.commit(label, command);
    this.said.set(label);
  }

  undo(): void {
    const edit = this.session.undo();
    this.said.set(edit ? `Undone: ${edit.label}` : 'Nothing to undo');
  }

  redo(): void {
    const edit = this.session.redo();
    this.said.set(edit ? `Done again: ${edit.label}` : 'Nothing to do again');
  }

  /** Goes so many steps back (below 0) or forward. */
  goTo(by: number): void {
    for (let n = 0; n < Math.abs(by); n += 1) {
      if (by < 0) this.session.undo();
      else this.session.redo();
    }
    this.said.set(this.session.state.past.at(-1)?.label ?? 'As it was opened');
  }

  /** Changes every chosen motif by what `change` says of it. */
  change(label: string, change: (placement: Placement) => PlacementChange): void {
    const { chosen } = this;
    if (chosen.length === 0) return;
    this.commit(label, { type: 'change', changes: Object.fromEntries(chosen.map((one) => [one.id, change(one)])) });
  }

  nudge(by: Point): void {
    this.change('Moved', ({ x, y }) => ({ x: x + by.x, y: y + by.y }));
  }

  /** Moves what is chosen by shares of the cell. */
  nudgeByCell(by: Point): void {
    const { width, height } = this.design.repeat;
    this.nudge({ x: by.x * width, y: by.y * height });
  }

  /** Shows another motif in the stead of those chosen, where they lie and as large. */
  replaceChosen(motif: DrawerMotif): void {
    const { ids } = this.selection.getState();
    const motifs = new Map(this.motifs.getState().map((one) => [one.id, one]));
    if (ids.length > 0) this.commit(`Replaced by ${motif.name}`, replaceMotif(this.design, ids, motifs, motif));
  }

  turn(degrees: number): void {
    this.change('Turned', ({ turn }) => ({ turn: withinTurn(turn + degrees) }));
  }

  resize(factor: number): void {
    this.change('Resized', ({ scale }) => ({ scale: scale * factor }));
  }

  /** Mirrored left to right as it is seen: a turned motif turns the other way. */
  mirror(): void {
    this.change('Mirrored', ({ mirrored, turn, skew }) => ({ mirrored: !mirrored, turn: withinTurn(-turn), skew: 0 - skew }));
  }

  remove(): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    this.commit(ids.length === 1 ? 'Deleted a motif' : `Deleted ${ids.length} motifs`, { type: 'remove', ids });
    this.choose([]);
  }

  duplicate(): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    const { command, copies } = duplicate(this.design, ids, BESIDE, nanoid);
    this.commit('Duplicated', command);
    this.choose(copies.map(({ id }) => id));
  }

  /** Puts placements in the stead of those chosen, as one step. */
  exchangeChosen(label: string, placements: readonly Placement[]): void {
    this.commit(label, exchange(this.design, this.selection.getState().ids, placements));
    this.choose(placements.map(({ id }) => id));
  }

  /** Takes up the inks of motifs whose artwork has others than when they were laid. */
  adoptInks(): void {
    const used = new Set(this.design.placements.map(({ motif }) => motif));
    const inks = missingInks(this.design, [...new Set(this.motifs.getState().filter(({ id }) => used.has(id)).flatMap((motif) => motif.inks))]);
    if (inks.length === 0) return;
    this.commit(inks.length === 1 ? 'Took up an ink' : `Took up ${inks.length} inks`, { type: 'add-inks', inks, colours: Object.fromEntries(inks.map(({ id, prints }) => [id, prints[0] as Hex])) });
  }

  restack(to: 'front' | 'back'): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0) this.commit(to === 'front' ? 'Brought to the front' : 'Put at the back', restack(this.design, ids, to));
  }

  copy(): void {
    if (this.chosen.length === 0) return;
    this.#clipboard = this.chosen;
    this.said.set(`${this.#clipboard.length} copied`);
  }

  cut(): void {
    this.copy();
    this.remove();
  }

  /** Lays what was copied at its own place, a little aside where that is taken by itself. */
  paste(): void {
    if (this.#clipboard.length === 0) return;
    const here = new Set(this.design.placements.map(({ id }) => id));
    const aside = this.#clipboard.some(({ id }) => here.has(id)) ? BESIDE : { x: 0, y: 0 };
    const copies = this.#clipboard.map((one) => ({ ...one, id: nanoid(), x: one.x + aside.x, y: one.y + aside.y }));
    const first = this.design.placements.length;
    this.commit('Pasted', { type: 'insert', placements: copies.map((placement, i) => ({ index: first + i, placement })) });
    this.choose(copies.map(({ id }) => id));
    this.#clipboard = copies;
  }

  /** The command that lays a motif at a place, directly above what is chosen. */
  laying(motif: DrawerMotif, at: Point, id: string = nanoid()): { id: string; command: Command } {
    return { id, command: layMotif(this.design, motif, placementOf(id, motif, at), this.selection.getState().ids.at(-1)) };
  }

  lay(motif: DrawerMotif, at: Point): void {
    const { id, command } = this.laying(motif, at);
    this.commit(`Laid ${motif.name}`, command);
    this.choose([id]);
  }
}

export const BenchContext = createContext<Bench | undefined>(undefined);

/** The bench of the design that is open. */
export function useBench(): Bench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('there is no bench here');
  return bench;
}
