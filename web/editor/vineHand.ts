import { invert, type Point, transform } from '../../core/geometry/index.ts';
import { latticeTranslate } from '../../core/lattice/index.ts';
import type { Brush, VineRecipe } from '../../core/recipe/index.ts';
import { drawnVine, movedVine } from '../../core/vine/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { KeptDrawing } from './keptDrawing.ts';
import { inFrame, type PointKeys, stepped } from './pointKeys.ts';

/** What a vine is drawn in. */
interface VineHost {
  readonly editor: Pick<DrawingHost, 'lattice'>;
  readonly brush: Cell<Brush>;
  readonly drawn: Cell<KeptDrawing>;
  /** Changes the vine, as one step. */
  setVine(vine: VineRecipe): void;
}

/** Draws and bends the vine of a drawing. */
export class VineHand implements PointKeys {
  /** The vine while it is being drawn or bent. */
  readonly draft = new Cell<VineRecipe | undefined>(undefined);
  /** The point that was touched last, by its number. */
  readonly knot = new Cell<number | undefined>(undefined);

  constructor(readonly host: VineHost) {}

  /** The vine as it is seen: as it is being bent, or as it is. */
  get vine(): VineRecipe | undefined {
    return this.draft.getState() ?? this.host.drawn.getState().vine;
  }

  /** Begins a vine along a line of the plane; one that leads nowhere is none. @returns whether there is a vine now */
  draw(line: readonly Point[], isDone: boolean): boolean {
    const { frame } = this.host.drawn.getState();
    const { ink, opacity, width } = this.host.brush.getState();
    const drawn = drawnVine(this.host.editor.lattice, line, width);
    const back = invert(frame);
    const vine: VineRecipe | undefined =
      drawn && back && movedVine({ kind: 'vine', ...drawn, ink, opacity, branches: [], leaves: [] }, back);
    this.draft.set(isDone ? undefined : vine);
    if (isDone && vine) this.host.setVine(vine);
    return vine !== undefined;
  }

  /** What the vine's period would have to be for it to meet itself on the repeat as it is, in the vine's own mm; undefined where it does. */
  get missedPeriod(): Point | undefined {
    const { vine, frame } = this.host.drawn.getState();
    const back = invert(frame);
    if (!vine || !back) return undefined;
    const [a, b, c, d] = back;
    const period = transform([a, b, c, d, 0, 0], latticeTranslate(this.host.editor.lattice, vine.index));
    return Math.hypot(period.x - vine.period.x, period.y - vine.period.y) < 0.01 ? undefined : period;
  }

  selectNext(by: 1 | -1): readonly [number, number] {
    const count = this.vine?.knots.length ?? 0;
    const n = stepped(this.knot.getState(), by, count);
    this.knot.set(n);
    return [n + 1, count];
  }

  nudge(by: Point): boolean {
    const { vine, frame } = this.host.drawn.getState();
    const n = this.knot.getState();
    if (!vine || n === undefined) return false;
    const { x, y } = inFrame(frame, by);
    const knots = vine.knots.map((knot, m) => (m === n ? { ...knot, x: knot.x + x, y: knot.y + y } : knot));
    this.host.setVine({ ...vine, knots });
    return true;
  }

  removeSelected(): boolean {
    const { vine } = this.host.drawn.getState();
    const n = this.knot.getState();
    if (!vine || n === undefined || vine.knots.length < 2) return false;
    this.knot.set(undefined);
    this.host.setVine({ ...vine, knots: vine.knots.filter((_, m) => m !== n) });
    return true;
  }
}
