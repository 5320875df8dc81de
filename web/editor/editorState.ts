import type { DesignMotif } from '../../contract/index.ts';
import { NO_COMMAND, Session, type SideEffect } from './session.ts';
import { type Frame, frameOf, type FramePoint, MIDDLE, pointInFrame } from '../../core/arrange/index.ts';
import { type OpenedBundle } from '../../core/bundle/index.ts';
import type { Vision } from '../../core/colour/index.ts';
import type { Findings } from '../../core/check/index.ts';
import {
  type Colourway,
  colourwayOf,
  type Command,
  CommandError,
  type Design,
  isEditable,
  type Layer,
  type Placement,
} from '../../core/document/index.ts';
import { type Point } from '../../core/geometry/index.ts';
import { type Lattice, latticeOf, type Repeat } from '../../core/lattice/index.ts';
import type { LayoutRecipe } from '../../core/recipe/index.ts';
import type { Hole } from '../../core/toss/index.ts';
import type { Viewport } from '../cloth/viewport.ts';
import { Cell } from '../ui/store.ts';
import { keptCell } from '../ui/keptCell.ts';
import { memoryClipboard, type ClipboardStore } from './clipboard.ts';
import { NO_SELECTION, instancePoint, type Selection } from './selection.ts';
import { KnownMotifs, type MotifSource } from './knownMotifs.ts';
import { SideEffects } from './sideEffects.ts';
import { TEXTS } from './texts.ts';

/** Which part of the job the ticket shows. */
export type Part = 'motifs' | 'draw' | 'repeat' | 'arrange' | 'toss' | 'colour' | 'check';
/** Which side of the arranging is shown: what is chosen, the whole stack, rows and grids, the toss, or what the eye would catch on. */
export type ArrangeSide = 'chosen' | 'stack' | 'rows';

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

/** What is chosen where it is meant, and what that was calculated from. */
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
 * What an editor holds: the session of one design, what is selected, the motifs that are known, and how things are
 * looked at. Knows neither the screen nor the server.
 */
export abstract class EditorState {
  readonly session: Session;
  readonly selection = new Cell<Selection>(NO_SELECTION);
  /** The point of what is chosen that turning, sizing and typed places go by. */
  readonly anchor = new Cell<FramePoint>(MIDDLE);
  readonly part = new Cell<Part>('arrange');
  readonly arrangeSide = new Cell<ArrangeSide>('chosen');
  /** The colourway that is worked in, by its id; the base where that is not there. */
  readonly colourwayId = new Cell<string | undefined>(undefined);
  /** How the cloth is looked at, where not as it is: in grey, or as some see it. */
  readonly vision = new Cell<Vision | undefined>(undefined);
  /** The ink that the colour part shows opened. */
  readonly ink = new Cell<string | undefined>(undefined);
  /** Every motif that is known here: those the design names, and those of the drawer that were looked at. */
  readonly #knownMotifs = new KnownMotifs();
  readonly motifs = this.#knownMotifs.list;
  /** Whether what is moved is caught by lines near it. */
  readonly snapping = keptCell('hevrel-snapping', false, Boolean);
  readonly guidesShown = new Cell(true);
  /** Whether the axes and centres of a mirrored or rotated step are drawn over the cloth. */
  readonly symmetryShown = new Cell(true);
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
  /** Whether it is on the screen: what is done to it after that is not saved any more. */
  readonly open = new Cell(true);
  /** Why something could not be done: a sentence, until it is deleted. */
  readonly refusal = new Cell<string | undefined>(undefined);
  /** The gap that the cell was fitted with last, mm. */
  readonly cellGap = new Cell(10);
  readonly layoutDraft = new Cell<LayoutDraft | undefined>(undefined);
  clipboard: ClipboardStore = memoryClipboard();
  /** Where the cloth was looked at last, for whoever comes after. */
  viewport: Viewport | undefined;
  protected layerId: string;
  /** Where the chosen instances were seen last, to know them again after a change. */
  protected lastSeen = new Map<string, Point>();
  #known: SelectedState | undefined;
  readonly #sideEffects: SideEffects;
  #free: { readonly design: Design; readonly placements: readonly Placement[] } | undefined;
  #lattice: { readonly repeat: Repeat; readonly lattice: Lattice } | undefined;
  #byId: { readonly list: readonly Placement[]; readonly map: ReadonlyMap<string, Placement> } | undefined;
  #motifMap: { readonly list: readonly DesignMotif[]; readonly map: ReadonlyMap<string, DesignMotif> } | undefined;

  /** @param inside the open bundle, where this editor is for its parts only */
  constructor(
    design: Design,
    readonly inside?: InsideBundle,
  ) {
    this.session = new Session(design);
    this.#sideEffects = new SideEffects(this.session, this.refusal);
    this.layerId = inside?.opened.placement.layer ?? design.layers.at(-1)?.id ?? '';
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

  get colourway(): Colourway {
    return colourwayOf(this.design, this.colourwayId.getState());
  }

  get selectedPlacements(): Placement[] {
    const held = new Set(this.selection.getState().ids);
    return held.size === 0 ? [] : this.design.placements.filter(({ id }) => held.has(id));
  }

  /** What is chosen, each where it is meant on the plane, which may be an instance. */
  get selectedInstances(): readonly Placement[] {
    return this.selectedState.selectedInstances;
  }

  /** What is chosen and the frame around it; asked for by many in one frame, and calculated once. */
  protected get selectedState(): SelectedState {
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
    return layers.find((layer) => layer.id === this.layerId && isEditable(layer)) ?? layers.findLast(isEditable);
  }

  /** The layer that the list shows as worked in, though it may be hidden or locked. */
  get workingLayer(): string {
    const { layers } = this.design;
    return (layers.find(({ id }) => id === this.layerId) ?? layers.at(-1))?.id ?? '';
  }

  /** Takes the view and the clipboard of another editor. */
  copyViewFrom(other: EditorState): void {
    this.viewport = other.viewport;
    this.colourwayId.set(other.colourwayId.getState());
    this.clipboard = other.clipboard;
  }

  /** Makes motifs known, in place of what the same source named before. */
  learn(source: MotifSource, motifs: readonly DesignMotif[]): void {
    this.#knownMotifs.learn(source, motifs);
  }

  /** Makes a motif known that was found by searching the drawer, made or imported. */
  learnPicked(motif: DesignMotif): void {
    this.#knownMotifs.learnPicked(motif);
  }

  motif(id: string): DesignMotif | undefined {
    return this.motifMap.get(id);
  }

  get motifMap(): ReadonlyMap<string, DesignMotif> {
    const list = this.motifs.getState();
    if (this.#motifMap?.list !== list) this.#motifMap = { list, map: new Map(list.map((motif) => [motif.id, motif])) };
    return this.#motifMap.map;
  }

  protected get placementMap(): ReadonlyMap<string, Placement> {
    const list = this.design.placements;
    if (this.#byId?.list !== list)
      this.#byId = { list, map: new Map(list.map((placement) => [placement.id, placement])) };
    return this.#byId.map;
  }

  placement(id: string): Placement | undefined {
    return this.placementMap.get(id);
  }

  /** The frame around what is chosen, where it is meant. */
  get frame(): Frame | undefined {
    return this.selectedState.frame;
  }

  /** The point of what is chosen that things are done about, on the plane. */
  get pivot(): Point | undefined {
    const { frame } = this;
    return frame && pointInFrame(frame, this.anchor.getState());
  }

  /** Does an edit, or says why it cannot be done. @returns whether it was done */
  commit(label: string, command: Command, sideEffect?: SideEffect): boolean {
    try {
      this.session.commit(label, command, sideEffect);
    } catch (error) {
      // More than a design can hold, for one. Anything else is a fault of the program.
      if (!(error instanceof CommandError)) throw error;
      this.refusal.set(TEXTS.thatCannotBeDone(error.message));
      return false;
    }
    this.announcement.set(label);
    return true;
  }

  /**
   * Does what changes something beside the document, as one step of its history, which stands where it was asked for whatever is done
   * meanwhile.
   *
   * @throws Error what doing it failed with; the step is taken back then
   */
  async commitSideEffect(label: string, sideEffect: SideEffect): Promise<void> {
    const edit = this.session.commit(label, NO_COMMAND, sideEffect);
    this.announcement.set(label);
    try {
      await this.#sideEffects.run(() => sideEffect.redo());
    } catch (error) {
      this.session.withdraw(edit);
      throw error;
    }
  }

  undo(): void {
    const edit = this.session.undo();
    this.#sideEffects.follow(edit, 'undo');
    this.announcement.set(edit ? TEXTS.undoneLabel(edit.label) : TEXTS.nothingToUndo);
  }

  redo(): void {
    const edit = this.session.redo();
    this.#sideEffects.follow(edit, 'redo');
    this.announcement.set(edit ? TEXTS.redoneLabel(edit.label) : TEXTS.nothingToRedo);
  }

  /** Goes so many steps back (below 0) or forward. */
  goToStep(by: number): void {
    for (let n = 0; n < Math.abs(by); n += 1) {
      if (by < 0) this.#sideEffects.follow(this.session.undo(), 'undo');
      else this.#sideEffects.follow(this.session.redo(), 'redo');
    }
    this.announcement.set(this.session.state.past.at(-1)?.label ?? TEXTS.asOpened);
  }
}
