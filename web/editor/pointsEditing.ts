import type { DesignMotif } from '../../contract/index.ts';
import { type Placement, shapeMatrix } from '../../core/document/index.ts';
import {
  cutLine,
  evenOut,
  insertKnot,
  joinEnds,
  type KnotIndex,
  knotKey,
  type KnotLine,
  knotsOf,
  movedKnot,
  moveHandle,
  moveKnots,
  removeKnots,
  reverseLines,
  sharpenKnots,
  smoothKnots,
} from '../../core/draw/index.ts';
import { boxAround, compose, invert, type Point, translationMatrix } from '../../core/geometry/index.ts';
import { type Artwork, pathsIn } from '../../core/motif/index.ts';
import { type Recipe, unmovedPoints } from '../../core/recipe/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { MotifMaker } from './finishDrawing.ts';
import { forgetPoints, keepPoints, keptPoints, type KeptPoints } from './keptDrawing.ts';
import { inFrame, type PointKeys, stepped } from './pointKeys.ts';
import { Steps } from './steps.ts';
import { artworkOf, type OpenedPoints, recipeOf } from './openedPoints.ts';
import { TEXTS } from './texts.ts';

type Lines = readonly KnotLine[];
type Selection = ReadonlySet<string>;
const NONE: Selection = new Set();

/** Points of the outlines of a motif, moved where it lies; all its placements follow once it is finished. */
export class PointsEditing implements PointKeys {
  readonly opened = new Cell<OpenedPoints | undefined>(undefined);
  /** All lines of the artwork, in its own units. */
  readonly lines = new Cell<Lines>([]);
  readonly selected = new Cell<Selection>(NONE);
  readonly making = new Cell(false);
  readonly #steps = new Steps<Lines>();
  readonly steps = this.#steps.counts;
  /** The lines as they were when a drag began. */
  #held: Lines | undefined;
  #shown: { readonly lines: Lines; readonly artwork: Artwork | undefined } | undefined;

  constructor(readonly editor: DrawingHost) {}

  /** Points of this design that were moved when its window was left. */
  get kept(): KeptPoints | undefined {
    return keptPoints(this.editor.design.id);
  }

  /** @param artwork as it was before any of its points were moved */
  open(placement: Placement, motif: DesignMotif, artwork: Artwork): boolean {
    const { recipe } = motif;
    if (recipe?.kind === 'masked') {
      this.editor.refusal.set(TEXTS.showAllFirst(motif.name));
      return false;
    }
    const moved = recipe?.kind === 'points' ? recipe : undefined;
    const paths = pathsIn(artwork.nodes).filter(({ matrix }) => invert(matrix));
    const texts = new Map(moved?.paths.map(({ node, path }) => [node.join(' '), path]));
    const lines = paths.flatMap(({ node, matrix, path }, n) =>
      knotsOf(texts.get(node.join(' ')) ?? path.path, n).map((line) => ({
        ...line,
        knots: line.knots.map((knot) => movedKnot(knot, matrix)),
      })),
    );
    if (lines.length === 0) {
      this.editor.refusal.set(TEXTS.noPointsToMove(motif.name));
      return false;
    }
    this.#steps.clear();
    this.opened.set({
      placement: placement.id,
      motif: motif.id,
      name: motif.name,
      original: moved?.original ?? motif.artwork,
      artwork,
      paths,
      before: moved ? moved.before : recipe?.kind === 'points' ? null : recipe,
      isMoved: moved !== undefined,
      frame: compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, motif)),
    });
    this.selected.set(NONE);
    this.#show(lines);
    this.editor.select([]);
    return true;
  }

  /** The artwork as its points lie now; undefined where nothing is left of it. */
  get artwork(): Artwork | undefined {
    const opened = this.opened.getState();
    const lines = this.lines.getState();
    if (!opened) return undefined;
    if (this.#shown?.lines !== lines) this.#shown = { lines, artwork: artworkOf(opened, lines) };
    return this.#shown.artwork;
  }

  /** Where the selected points are together: the middle of the box around them, in the artwork's units. */
  get middle(): Point | undefined {
    const knots = this.#indices().flatMap(({ line, knot }) => this.lines.getState()[line]?.knots[knot] ?? []);
    if (knots.length === 0) return undefined;
    const { left, top, right, bottom } = boxAround(knots);
    return { x: (left + right) / 2, y: (top + bottom) / 2 };
  }

  select(indices: readonly KnotIndex[], isMore = false): void {
    const next = new Set(isMore ? this.selected.getState() : []);
    for (const index of indices) {
      const key = knotKey(index);
      // Selected once more, it is selected no more.
      if (isMore && indices.length === 1 && next.has(key)) next.delete(key);
      else next.add(key);
    }
    this.selected.set(next);
  }

  selectAll(): void {
    this.select(this.lines.getState().flatMap(({ knots }, line) => knots.map((_, knot) => ({ line, knot }))));
  }

  selectNext(by: 1 | -1): readonly [number, number] {
    const all = this.lines.getState().flatMap(({ knots }, line) => knots.map((_, knot) => ({ line, knot })));
    const last = [...this.selected.getState()].at(-1);
    const at = last === undefined ? undefined : all.findIndex((index) => knotKey(index) === last);
    const n = stepped(at, by, all.length);
    this.select(all.slice(n, n + 1));
    return [n + 1, all.length];
  }

  nudge(by: Point): boolean {
    const opened = this.opened.getState();
    const isMoved = opened !== undefined && this.selected.getState().size > 0;
    if (isMoved) this.move(inFrame(opened.frame, by));
    return isMoved;
  }

  removeSelected(): boolean {
    const selected = this.selected.getState();
    if (selected.size > 0) this.#set(removeKnots(this.lines.getState(), selected));
    this.selected.set(NONE);
    return selected.size > 0;
  }

  /** Begins a drag: what follows is one step. */
  hold(): void {
    this.#held = this.lines.getState();
  }

  /** Moves what is selected so far from where it was taken up; in the artwork's units. */
  dragSelected(by: Point): void {
    if (this.#held) this.lines.set(moveKnots(this.#held, this.selected.getState(), by));
  }

  dragHandle(index: KnotIndex, which: 'into' | 'out', to: Point, parted: boolean): void {
    if (this.#held) this.lines.set(moveHandle(this.#held, index, which, to, parted));
  }

  release(isKept: boolean): void {
    const [held, lines] = [this.#held, this.lines.getState()];
    this.#held = undefined;
    if (!held) return;
    this.lines.set(held);
    if (isKept && lines !== held) this.#set(lines);
  }

  move(by: Point): void {
    this.#set(moveKnots(this.lines.getState(), this.selected.getState(), by));
  }

  /** @returns the new point */
  insert(index: KnotIndex, t: number): KnotIndex {
    this.#set(insertKnot(this.lines.getState(), index, t));
    const added = { line: index.line, knot: index.knot + 1 };
    this.select([added]);
    return added;
  }

  smooth(): void {
    this.#set(smoothKnots(this.lines.getState(), this.selected.getState()));
  }

  sharpen(): void {
    this.#set(sharpenKnots(this.lines.getState(), this.selected.getState()));
  }

  reverse(): void {
    this.#set(reverseLines(this.lines.getState(), this.#selectedLines()));
    this.selected.set(NONE);
  }

  evenOut(): void {
    this.#set(evenOut(this.lines.getState(), this.#selectedLines()));
  }

  /** Cuts the line at the one point that is selected. */
  cut(): void {
    const [index, ...others] = this.#indices();
    if (!index || others.length > 0) return;
    this.#set(cutLine(this.lines.getState(), index));
    this.selected.set(NONE);
  }

  /** Joins the two ends that are selected. */
  join(): void {
    const [a, b, ...others] = this.#indices();
    const joined = a && b && others.length === 0 ? joinEnds(this.lines.getState(), a, b) : undefined;
    if (!joined) {
      this.editor.refusal.set(TEXTS.twoEndsAreJoined);
      return;
    }
    this.#set(joined);
    this.selected.set(NONE);
  }

  undo(): boolean {
    return this.#goTo(this.#steps.undo(this.lines.getState()));
  }

  redo(): boolean {
    return this.#goTo(this.#steps.redo(this.lines.getState()));
  }

  close(): void {
    const opened = this.opened.getState();
    this.opened.set(undefined);
    // As it was before it was opened.
    if (opened) this.editor.select([opened.placement]);
    this.selected.set(NONE);
    this.#steps.clear();
    this.#show([]);
  }

  /** Gives the motif its points as they lie now. @throws Error, and nothing is lost */
  async finish(maker: MotifMaker): Promise<void> {
    await this.#remake(maker, (opened) => recipeOf(opened, this.lines.getState()));
  }

  /** Makes the motif as it was before any of its points were moved. @throws Error */
  async goBack(maker: MotifMaker): Promise<void> {
    await this.#remake(maker, ({ original, before }) => before ?? unmovedPoints(original));
  }

  async #remake(maker: MotifMaker, recipe: (opened: OpenedPoints) => Recipe): Promise<void> {
    const opened = this.opened.getState();
    if (!opened || this.making.getState()) return;
    this.making.set(true);
    try {
      await maker.remake(opened.motif, recipe(opened));
      this.close();
    } finally {
      this.making.set(false);
    }
  }

  #indices(): KnotIndex[] {
    return [...this.selected.getState()].map((key) => {
      const [line = 0, knot = 0] = key.split(' ').map(Number);
      return { line, knot };
    });
  }

  #selectedLines(): Set<number> {
    return new Set(this.#indices().map(({ line }) => line));
  }

  #set(lines: Lines): void {
    this.#steps.push(this.lines.getState());
    this.#show(lines);
  }

  #show(lines: Lines): void {
    this.lines.set(lines);
    this.#keep();
  }

  /** Moved points outlast the window. */
  #keep(): void {
    const { design, refusal } = this.editor;
    const opened = this.opened.getState();
    if (!opened) forgetPoints(design.id);
    else if (this.#steps.counts.getState().past > 0) {
      const { placement, motif } = opened;
      if (!keepPoints(design.id, { placement, motif, recipe: recipeOf(opened, this.lines.getState()) }))
        refusal.set(TEXTS.thisBrowserKeepsNoDrawing);
    }
  }

  #goTo(lines: Lines | undefined): boolean {
    if (!lines) return false;
    this.selected.set(NONE);
    this.#show(lines);
    return true;
  }
}
