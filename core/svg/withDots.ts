import { type PathText, tracePath } from '../motif/index.ts';

/** Of a line's width: too short to be seen, and long enough that every painter puts caps on it. */
const SHORTEST = 1e-3;

/**
 * The path with its subpaths of no length made a little longer: with round or square caps they are dots (SVG 2, section 13.5.4),
 * which painters leave out.
 *
 * @param width of the line, in the path's units
 */
export function withDots(path: PathText, width: number): PathText {
  // Most paths have none; a line to where it began, or nothing but a beginning, is what gives them away.
  let isDotted = false;
  let start: readonly [number, number] | undefined;
  let isStill = false;
  const parts: string[] = [];
  let part = '';
  const end = (): void => {
    if (start && isStill && part !== '') {
      isDotted = true;
      parts.push(`M ${start[0]} ${start[1]} L ${start[0] + width * SHORTEST} ${start[1]}`);
    } else if (start) parts.push(`M ${start[0]} ${start[1]}${part}`);
  };
  const to = (text: string, ...points: number[]): void => {
    for (let i = 0; i < points.length; i += 2)
      if (points[i] !== start?.[0] || points[i + 1] !== start?.[1]) isStill = false;
    part += text;
  };
  tracePath(path, {
    moveTo(x, y) {
      end();
      [start, isStill, part] = [[x, y], true, ''];
    },
    lineTo: (x, y) => to(` L ${x} ${y}`, x, y),
    quadraticCurveTo: (cx, cy, x, y) => to(` Q ${cx} ${cy} ${x} ${y}`, cx, cy, x, y),
    bezierCurveTo: (ax, ay, bx, by, x, y) => to(` C ${ax} ${ay} ${bx} ${by} ${x} ${y}`, ax, ay, bx, by, x, y),
    closePath: () => {
      part += ' Z';
    },
  });
  end();
  return isDotted ? parts.join(' ') : path;
}
