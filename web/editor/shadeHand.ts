import { strokesAt } from '../../core/draw/index.ts';
import type { Matrix, Point } from '../../core/geometry/index.ts';
import type { Shading, Stroke } from '../../core/recipe/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { KeptDrawing } from './keptDrawing.ts';
import { inFrame, type PointKeys, stepped } from './pointKeys.ts';

/** What strokes are shaded in. */
interface ShadeHost {
  readonly editor: Pick<DrawingHost, 'lattice'>;
  readonly drawn: Cell<KeptDrawing>;
  /** Changes the strokes, as one step. */
  setStrokes(strokes: readonly Stroke[]): void;
}

/** The two ends of a shading, which are its handles. */
export const SHADING_ENDS = ['from', 'to'] as const;
export type ShadingEnd = (typeof SHADING_ENDS)[number];
export type ShadingLook = Omit<Shading, ShadingEnd>;

/** Shades the fills of a drawing: from their own ink to another, between two handles on the cloth. */
export class ShadeHand implements PointKeys {
  /** Of the next shading. */
  readonly look = new Cell<ShadingLook>({ kind: 'linear', ink: '#f2eee4', opacity: 1 });
  /** The stroke whose shading is shown, by its number, and the handle that keys move. */
  readonly chosen = new Cell<{ readonly stroke: number; readonly end: ShadingEnd } | undefined>(undefined);
  /** The drawing while a handle is dragged. */
  readonly draft = new Cell<KeptDrawing | undefined>(undefined);

  constructor(readonly host: ShadeHost) {}

  /** The shading that is shown, as it is being dragged or as it is. */
  get shading(): Shading | undefined {
    const { strokes } = this.draft.getState() ?? this.host.drawn.getState();
    return strokes[this.chosen.getState()?.stroke ?? -1]?.shading;
  }

  /** The topmost stroke that covers a place of the plane, in any of its instances, by its number, and the map to that instance. */
  strokeAt(at: Point): { readonly number: number; readonly matrix: Matrix } | undefined {
    const { strokes, frame } = this.host.drawn.getState();
    const [found] = strokesAt(this.host.editor.lattice, strokes, frame, at, 0);
    return found && { number: strokes.indexOf(found.stroke), matrix: found.matrix };
  }

  /** Shows the shading of a stroke, and makes what it looks like that of the next one. */
  choose(stroke: number, end: ShadingEnd = 'to'): void {
    this.chosen.set({ stroke, end });
    if (!this.shading) return;
    const { kind, ink, opacity } = this.shading;
    this.look.set({ kind, ink, opacity });
  }

  /** Shades a stroke between two places of its own mm; seen at once, and a step once it is kept. */
  drag(stroke: number, from: Point, to: Point): void {
    this.chosen.set({ stroke, end: 'to' });
    this.#draft({ ...this.look.getState(), from, to });
  }

  /** Drags a handle of the shading that is shown to a place of the stroke's own mm. */
  dragEnd(end: ShadingEnd, to: Point): void {
    const { shading } = this;
    if (shading) this.#draft({ ...shading, [end]: to });
  }

  keep(): void {
    const draft = this.draft.getState();
    this.draft.set(undefined);
    if (draft) this.host.setStrokes(draft.strokes);
  }

  /** Changes what the next shading looks like, and the one that is shown. */
  change(part: Partial<ShadingLook>): void {
    this.look.set({ ...this.look.getState(), ...part });
    const { shading } = this;
    if (!shading) return;
    this.#draft({ ...shading, ...part });
    this.keep();
  }

  /** Goes through both handles of every stroke that is shaded. */
  selectNext(by: 1 | -1): readonly [number, number] {
    const handles = this.host.drawn
      .getState()
      .strokes.flatMap((stroke, n) => (stroke.shading ? SHADING_ENDS.map((end) => ({ stroke: n, end })) : []));
    const chosen = this.chosen.getState();
    const now = handles.findIndex(({ stroke, end }) => stroke === chosen?.stroke && end === chosen.end);
    const next = handles[stepped(now === -1 ? undefined : now, by, handles.length)];
    if (!next) return [0, 0];
    this.choose(next.stroke, next.end);
    return [handles.indexOf(next) + 1, handles.length];
  }

  nudge(by: Point): boolean {
    const chosen = this.chosen.getState();
    const { shading } = this;
    if (!chosen || !shading) return false;
    const { x, y } = inFrame(this.host.drawn.getState().frame, by);
    const at = shading[chosen.end];
    this.dragEnd(chosen.end, { x: at.x + x, y: at.y + y });
    this.keep();
    return true;
  }

  /** Takes the shading away that is shown. */
  removeSelected(): boolean {
    if (!this.shading) return false;
    this.#draft(undefined);
    this.keep();
    return true;
  }

  #draft(shading: Shading | undefined): void {
    const drawn = this.host.drawn.getState();
    const chosen = this.chosen.getState()?.stroke;
    this.draft.set({
      ...drawn,
      strokes: drawn.strokes.map((stroke, n) => (n === chosen ? { ...stroke, shading } : stroke)),
    });
  }
}
