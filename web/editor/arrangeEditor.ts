import { SelectionEditor } from './selectionEditor.ts';
import type { DragStart } from './editorState.ts';
import type { DesignMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import {
  changeLayer,
  duplicate,
  MIDDLE,
  type PlacementChanges,
  poseAbout,
  restack,
  restackByOne,
  transformPlacements,
} from '../../core/arrange/index.ts';
import { replacePlacements } from '../../core/bundle/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import {
  type Command,
  type Layer,
  missingInks,
  type Placement,
  type PlacementChange,
  replaceMotif,
} from '../../core/document/index.ts';
import { type Point, type Pose } from '../../core/geometry/index.ts';
import { TEXTS } from './texts.ts';

/** A copy beside lies this far off, mm. */
const BESIDE: Point = { x: 8, y: 8 };

/** Arranging what is selected: moving, rotating, scaling, copying, ordering. */
export abstract class ArrangeEditor extends SelectionEditor {
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
   * Shows chosen motifs changed, told where they are meant, or does so for good where there is a label. The instance
   * that is meant goes along, however far off the cell.
   */
  arrange(changes: PlacementChanges, label?: string): void {
    for (const [id, { x, y }] of Object.entries(changes))
      if (x !== undefined && y !== undefined) this.lastSeen.set(id, { x, y });
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
    else this.refusal.set(TEXTS.thatWouldMakeAMotif);
  }

  /** Takes what is chosen in hand, as it lies now. */
  startDrag(): DragStart {
    return { placements: this.selectedPlacements, selectedInstances: this.selectedInstances };
  }

  /** Shows what was taken in hand moved, or moves it for good where there is a label. Reckoned from its own place and not from an instance, so that no rounding creeps in. */
  move({ placements, selectedInstances }: DragStart, by: Point, label?: string): void {
    for (const { id, x, y } of selectedInstances) this.lastSeen.set(id, { x: x + by.x, y: y + by.y });
    const command: Command = {
      type: 'change',
      changes: Object.fromEntries(placements.map(({ id, x, y }) => [id, { x: x + by.x, y: y + by.y }])),
    };
    if (label === undefined) this.session.preview(command);
    else this.commit(label, command);
  }

  nudge(by: Point): void {
    const grip = this.startDrag();
    if (grip.placements.length > 0) this.move(grip, by, TEXTS.moved);
  }

  /** Moves what is chosen by shares of the cell. */
  nudgeByCell(by: Point): void {
    const { width, height } = this.design.repeat;
    this.nudge({ x: by.x * width, y: by.y * height });
  }

  /** Shows another motif in the stead of those chosen, where they lie and as large. */
  replaceSelected(motif: DesignMotif): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0)
      this.commit(TEXTS.replacedWithName(motif.name), replaceMotif(this.design, ids, this.motifMap, motif));
  }

  /** Turns what is chosen, together, about its point. */
  rotate(degrees: number): void {
    const { pivot } = this;
    if (pivot) this.#pose(TEXTS.rotated, poseAbout(pivot, { rotation: degrees }));
  }

  scaleBy(factor: number): void {
    const { pivot } = this;
    if (pivot) this.#pose(TEXTS.scaled, poseAbout(pivot, { scale: factor }));
  }

  /** Does to what is chosen what a pose of the plane does; nothing where there is none. */
  transformBy(label: string, by: Pose | undefined): void {
    if (by) this.#pose(label, by);
  }

  /** Mirrored left to right as it is seen, or top to bottom. */
  flip(down = false): void {
    const { pivot } = this;
    if (pivot) this.#pose(TEXTS.flipped, poseAbout(pivot, { flipped: true, rotation: down ? 180 : 0 }));
  }

  remove(): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    this.commit(ids.length === 1 ? TEXTS.deletedAMotif : TEXTS.deletedCountMotifs(ids.length), { type: 'remove', ids });
    this.select([]);
  }

  /** Lays copies directly above what is chosen: beside it, or where it lies. */
  duplicate(inPlace = false): void {
    const { ids, indices } = this.selection.getState();
    if (ids.length === 0) return;
    const originals = this.selectedPlacements;
    const { command, copies } = duplicate(this.design, ids, inPlace ? { x: 0, y: 0 } : BESIDE, nanoid);
    if (!this.commit(inPlace ? TEXTS.duplicatedInPlace : TEXTS.duplicated, command)) return;
    this.select(
      copies.map(({ id }) => id),
      copies.flatMap(({ id }, n) => ({ id, index: indices.get(originals[n]?.id ?? '') ?? { i: 0, j: 0 } })),
    );
  }

  /** Puts placements in the stead of those chosen, as one step. */
  replaceSelectedWith(label: string, placements: readonly Placement[]): void {
    const command = replacePlacements(this.design, this.selection.getState().ids, placements);
    if (this.commit(label, command)) this.select(placements.map(({ id }) => id));
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
    const command: Command = {
      type: 'add-inks',
      inks,
      colours: Object.fromEntries(inks.map(({ id, prints }) => [id, prints[0] as Hex])),
    };
    const { past, future } = this.session.state;
    // What a change to a motif brings along is undone with it.
    if (past.at(-1)?.sideEffect && future.length === 0) this.session.amend(command);
    else this.commit(inks.length === 1 ? TEXTS.addedAnInk : TEXTS.tookUpCountInks(inks.length), command);
  }

  restack(to: 'front' | 'back'): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0)
      this.commit(to === 'front' ? TEXTS.broughtToFront : TEXTS.toBack, restack(this.design, ids, to));
  }

  /** Brings what is chosen just over, or under, the next that it meets. */
  restackByOne(to: 'up' | 'down', overlap: (a: Placement, b: Placement) => boolean): void {
    const { ids } = this.selection.getState();
    if (ids.length === 0) return;
    const command = restackByOne(this.design, ids, to, overlap);
    if (command) this.commit(to === 'up' ? TEXTS.broughtForward : TEXTS.sentBackward, command);
    else this.announcement.set(to === 'up' ? TEXTS.itIsAlreadyAtThe : TEXTS.itIsAlreadyAtTheBack);
  }

  changeLayer(label: string, id: string, change: Partial<Omit<Layer, 'id'>>): void {
    this.commit(label, changeLayer(this.design, id, change));
  }
}
