import { type OpenPath, pathStroke } from '../../core/draw/index.ts';
import type { Brush, Stroke } from '../../core/recipe/index.ts';
import { Cell } from '../ui/store.ts';

/** A path that is being made point by point, mm of the plane. */
export class PathPen {
  readonly open = new Cell<OpenPath | undefined>(undefined);

  /** @param take adds a stroke to the drawing */
  constructor(
    readonly brush: () => Brush,
    readonly take: (stroke: Stroke) => void,
  ) {}

  /** Ends it; a path of a single point leaves nothing. @returns whether there was one */
  end(closed = false): boolean {
    const path = this.open.getState();
    this.open.set(undefined);
    const stroke = path && pathStroke(this.brush(), { ...path, closed });
    if (stroke) this.take(stroke);
    return path !== undefined;
  }

  /** Lets go of it. @returns whether there was one */
  drop(): boolean {
    const path = this.open.getState();
    this.open.set(undefined);
    return path !== undefined;
  }

  /** Takes its last point away. @returns whether there was one */
  undo(): boolean {
    const path = this.open.getState();
    if (!path) return false;
    const knots = path.knots.slice(0, -1);
    this.open.set(knots.length > 0 ? { ...path, knots } : undefined);
    return true;
  }
}
