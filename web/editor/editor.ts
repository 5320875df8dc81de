import { ArrangeEditor } from './arrangeEditor.ts';
import type { DesignMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import {
  addLayer,
  frameOf,
  mergeLayerDown,
  MIDDLE,
  moveBeside,
  moveIntoLayer,
  moveLayer,
  pointInFrame,
  removeLayer,
} from '../../core/arrange/index.ts';
import {
  type Command,
  type Layer,
  newLayer,
  newPlacement,
  placeMotif,
  placeMotifBelow,
  withInks,
} from '../../core/document/index.ts';
import { type Point } from '../../core/geometry/index.ts';
import { nearestInstanceIndex } from '../../core/lattice/index.ts';
import { AreaFill } from './areaFill.ts';
import { Bundling } from './bundling.ts';
import { Drawing } from './drawing.ts';
import { Masking } from './masking.ts';
import type { PointKeys } from './pointKeys.ts';
import { PointsEditing } from './pointsEditing.ts';
import { ScatterBrush } from './scatterBrush.ts';
import { Tossing } from './tossRun.ts';
import { clipboardContentOf } from './clipboard.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

/** A copy beside lies this far off, mm. */
const BESIDE: Point = { x: 8, y: 8 };

/**
 * One design being edited: its session, what is selected, and everything that can be done to it, so that keys, buttons
 * and pointers all go through the same few methods.
 */
export class Editor extends ArrangeEditor {
  readonly tossing = new Tossing(this);
  readonly drawing = new Drawing(this);
  readonly areaFill = new AreaFill(this, this.drawing);
  readonly scatterBrush = new ScatterBrush(this);
  readonly points = new PointsEditing(this);

  readonly masking = new Masking(this);
  readonly bundling = new Bundling(this);

  /** What steps back and forth while drawing: what is open, or else the strokes. */
  get #drawn() {
    if (this.part.getState() !== 'draw') return undefined;
    if (this.points.opened.getState())
      return { what: this.points, undone: TEXTS.undoneAPoint, redone: TEXTS.redoneAPoint };
    if (this.masking.opened.getState())
      return { what: this.masking, undone: TEXTS.undoneAnArea, redone: TEXTS.redoneAnArea };
    const { past, future } = this.drawing.steps.getState();
    return past + future === 0 && !this.drawing.path.open.getState()
      ? undefined
      : { what: this.drawing, undone: TEXTS.undoneAStroke, redone: TEXTS.redoneAStroke };
  }

  /** The points that keys work on: those of the motif that is open, or else those of the vine. */
  get pointKeys(): PointKeys | undefined {
    if (this.part.getState() !== 'draw') return undefined;
    if (this.points.opened.getState()) return this.points;
    const { tool, vines, shades } = this.drawing;
    if (tool.getState() === 'shade') return shades;
    return tool.getState() === 'vine' && vines.vine ? vines : undefined;
  }

  override selectNext(by: 1 | -1): void {
    const keys = this.pointKeys;
    if (keys) this.announcement.set(TEXTS.selectedAPoint(keys.selectNext(by)));
    else super.selectNext(by);
  }

  override nudge(by: Point): void {
    if (!this.pointKeys?.nudge(by)) super.nudge(by);
  }

  override remove(): void {
    if (this.drawing.path.undo()) return;
    if (!this.pointKeys?.removeSelected()) super.remove();
  }

  /** While drawing, strokes are undone before anything else is. */
  override undo(): void {
    const drawn = this.#drawn;
    if (drawn?.what.undo()) this.announcement.set(drawn.undone);
    else if (!drawn || drawn.what === this.drawing) super.undo();
  }

  override redo(): void {
    const drawn = this.#drawn;
    if (drawn?.what.redo()) this.announcement.set(drawn.redone);
    else if (!drawn || drawn.what === this.drawing) super.redo();
  }

  /** A new layer directly above the one being worked in; what is laid next comes into it. */
  addLayer(): void {
    const layer = newLayer(nanoid(8), TEXTS.layerCount(this.design.layers.length + 1));
    if (this.commit(TEXTS.addedName(layer.name), addLayer(this.design, layer, this.layer?.id)))
      this.setWorkingLayer(layer.id);
  }

  removeLayer({ id, name }: Layer): void {
    const count = this.design.placements.filter(({ layer }) => layer === id).length;
    const command = removeLayer(this.design, id);
    if (command)
      this.commit(count === 0 ? TEXTS.deletedName(name) : TEXTS.deletedNameAndTheCount(name, count), command);
  }

  mergeDown({ id, name }: Layer): void {
    const merged = mergeLayerDown(this.design, id);
    if (!merged) return;
    if (this.commit(TEXTS.mergedNameIntoBelowName(name, merged.below.name), merged.command))
      this.setWorkingLayer(merged.below.id);
  }

  moveLayer({ id, name }: Layer, to: number): void {
    const command = moveLayer(this.design, id, to);
    if (command) this.commit(TEXTS.movedTheLayerName(name), command);
  }

  moveBeside(ids: readonly string[], other: string, where: 'over' | 'under'): void {
    const command = moveBeside(this.design, ids, other, where);
    if (command) this.commit(TEXTS.reordered, command);
  }

  intoLayer({ id, name }: Layer): void {
    const { ids } = this.selection.getState();
    if (ids.length > 0) this.commit(TEXTS.movedIntoName(name), moveIntoLayer(this.design, ids, id));
  }

  copy(): void {
    const { selectedPlacements } = this;
    if (selectedPlacements.length === 0) return;
    try {
      this.clipboard.keep(clipboardContentOf(this.design, this.colourway, selectedPlacements));
      this.announcement.set(TEXTS.countCopied(selectedPlacements.length));
    } catch (error) {
      this.refusal.set(TEXTS.thatCouldNotBeCopied(messageOf(error)));
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
    if (lost > 0) this.refusal.set(TEXTS.motifsOfWhatWasCopied(lost));
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
    const command = withInks(this.design, motifs, insert, (print) => colours.get(print) ?? print);
    if (!this.commit(TEXTS.pasted, command)) return;
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

  /** The command that lays a motif at a place, below all of the layer being worked in. */
  placeBelowCommand(motif: DesignMotif, at: Point): { id: string; command: Command } | undefined {
    const { layer } = this;
    if (!this.#canLay(layer)) return undefined;
    const placement = { ...newPlacement(nanoid(), motif, at), layer: layer.id };
    return { id: placement.id, command: placeMotifBelow(this.design, motif, placement) };
  }

  place(motif: DesignMotif, at: Point): void {
    const laid = this.placeCommand(motif, at);
    if (!laid) return;
    if (this.commit(TEXTS.placedName(motif.name), laid.command)) this.selectPlaced(laid.id, at);
  }

  /** Lays motifs at places, on top of the layer being worked in, as one step. */
  placeAll(laid: readonly { readonly motif: DesignMotif; readonly at: Point }[]): void {
    const [first] = laid;
    if (laid.length === 1 && first) this.place(first.motif, first.at);
    const { layer } = this;
    if (laid.length < 2 || !this.#canLay(layer)) return;
    const top = this.design.placements.length;
    const placements = laid.map(({ motif, at }, n) => ({
      index: top + n,
      placement: { ...newPlacement(nanoid(), motif, at), layer: layer.id },
    }));
    const motifs = laid.map(({ motif }) => motif);
    const command = withInks(this.design, motifs, { type: 'insert', placements }, (print) => print);
    if (!this.commit(TEXTS.placedCount(laid.length), command)) return;
    this.select(placements.map(({ placement: { id } }) => id));
  }

  /** Chooses what was laid, at the instance where it was laid. */
  selectPlaced(id: string, at: Point): void {
    const placement = this.placement(id);
    this.select([id], placement ? [{ id, index: nearestInstanceIndex(this.lattice, placement, at) }] : []);
  }

  #canLay(layer: Layer | undefined): layer is Layer {
    if (!layer) this.refusal.set(TEXTS.everyLayerIsHiddenOr);
    return layer !== undefined;
  }
}
