import geometry from 'paper/dist/paper-core.js';
import type { Point } from '../geometry/index.ts';
import { type PathText, Pen } from '../motif/index.ts';

/** How two outlines become one. */
export type Combining = 'join' | 'cut' | 'overlap' | 'exclude';

// Geometry alone: the scope has a project, but nothing is ever drawn in it.
const scope = new geometry.PaperScope();
scope.setup(new scope.Size(1, 1));

/**
 * Both paths as one: their union, the first without the second, what both cover, or what only one covers.
 *
 * @returns absolute commands, filled alike by either rule; empty where nothing is left
 */
export function combinePaths(below: PathText, above: PathText, how: Combining): PathText {
  if (!below || !above) return how === 'join' || how === 'exclude' ? below || above : how === 'cut' ? below : '';
  const [a, b] = [read(below), read(above)];
  const quiet = { insert: false };
  const result =
    how === 'join'
      ? a.unite(b, quiet)
      : how === 'cut'
        ? a.subtract(b, quiet)
        : how === 'overlap'
          ? a.intersect(b, quiet)
          : a.exclude(b, quiet);
  return write(result);
}

/** A path whose inside is told by the even–odd rule as one that is filled alike by either rule. */
export function evenOddPath(path: PathText): PathText {
  const item = read(path);
  item.fillRule = 'evenodd';
  return write(item.intersect(new scope.Path.Rectangle(item.bounds.expand(2)), { insert: false }));
}

/**
 * A closed line through points as few curves as follow it (Schneider, Graphics Gems, 1990).
 *
 * @param off how far a curve may be from the points, in their unit
 */
export function fitLoop(points: readonly Point[], off: number): PathText {
  if (points.length < 3) return '';
  // Fitted as an open line that ends where it began: of a closed one the piece about its first point strays.
  const ends = [...points, points[0] as Point].map(({ x, y }) => [x, y]);
  const loop = new scope.Path({ segments: ends, closed: false, insert: false });
  // Squared distances are compared.
  loop.simplify(off * off);
  loop.join(loop, 1e-9);
  return write(loop);
}

function read(path: PathText): paper.PathItem {
  const item = new scope.CompoundPath({ pathData: path, insert: false });
  item.fillRule = 'nonzero';
  return item;
}

function write(item: paper.PathItem): PathText {
  const pen = new Pen();
  const loops = (item.children as paper.Path[] | null) ?? [item as paper.Path];
  for (const { segments } of loops) {
    const [first] = segments;
    if (!first || segments.length < 2) continue;
    pen.move(first.point.x, first.point.y);
    segments.forEach((from, i) => {
      const to = segments[(i + 1) % segments.length] as paper.Segment;
      const { point: p, handleOut: out } = from;
      const { point: q, handleIn: into } = to;
      if (out.isZero() && into.isZero()) {
        if (to !== first) pen.line(q.x, q.y);
      } else pen.curve(p.x + out.x, p.y + out.y, q.x + into.x, q.y + into.y, q.x, q.y);
    });
    pen.close();
  }
  return pen.toString();
}
