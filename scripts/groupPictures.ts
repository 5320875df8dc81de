import { mkdirSync, writeFileSync } from 'node:fs';
import { boxAround, type Box, type Point } from '../core/geometry/index.ts';
import {
  applyOpToPoint,
  indicesTouching,
  type Lattice,
  latticeOf,
  latticeTranslate,
  mirroredStep,
  planeGroupOf,
  proportionOf,
  rotatedStep,
  SQUARE,
  step,
  type Step,
  symmetryElements,
} from '../core/lattice/index.ts';

const WINDOW: Box = { left: -45, top: -35, right: 155, bottom: 105 };
/** Area of the drawn cells. */
const AREA = 1700;

/** A step for each plane group. */
const STEPS: readonly Step[] = [
  SQUARE,
  rotatedStep(SQUARE, 'half'),
  mirroredStep(SQUARE, 'columns'),
  mirroredStep(step('half-drop'), 'columns'),
  mirroredStep(SQUARE, 'chess-across'),
  mirroredStep(SQUARE, 'both'),
  mirroredStep(SQUARE, 'rows-turned'),
  mirroredStep(SQUARE, 'glides'),
  mirroredStep(step('half-drop'), 'both'),
  rotatedStep(SQUARE, 'quarter'),
  mirroredStep(SQUARE, 'p4m'),
  mirroredStep(SQUARE, 'p4g'),
  rotatedStep(SQUARE, 'third'),
  mirroredStep(SQUARE, 'p3m1'),
  mirroredStep(SQUARE, 'p31m'),
  rotatedStep(SQUARE, 'sixth'),
  mirroredStep(SQUARE, 'p6m'),
];

/** A hook about the middle of a cell, lopsided, so that every turn and mirror of it shows. */
function hook({ cell: { corners, area } }: Lattice): Point[] {
  const middle = {
    x: corners.reduce((sum, { x }) => sum + x, 0) / corners.length,
    y: corners.reduce((sum, { y }) => sum + y, 0) / corners.length,
  };
  const size = 0.36 * Math.sqrt(area);
  return [
    [-0.4, -0.5],
    [0.5, -0.5],
    [0.5, -0.2],
    [-0.1, -0.2],
    [-0.1, 0.6],
    [-0.4, 0.6],
  ].map(([x = 0, y = 0]) => ({ x: middle.x + size * x, y: middle.y + size * y }));
}

function picture(next: Step): string {
  const proportion = proportionOf(next) ?? 0.75;
  const unit = latticeOf({ width: 1, height: proportion, step: next }).cell.area;
  const width = Math.sqrt(AREA / unit);
  const lattice = latticeOf({ width, height: width * proportion, step: next });
  const sign = hook(lattice);
  const all = boxAround(lattice.ops.flatMap((op) => lattice.cell.corners.map((corner) => applyOpToPoint(op, corner))));
  const shapes: string[] = [];
  for (const index of indicesTouching(lattice, all, WINDOW)) {
    const by = latticeTranslate(lattice, index);
    lattice.ops.forEach((op, n) => {
      const points = (list: readonly Point[]): string =>
        list
          .map((point) => applyOpToPoint(op, point))
          .map(({ x, y }) => `${(x + by.x).toFixed(1)},${(y + by.y).toFixed(1)}`)
          .join(' ');
      const isHome = n === 0 && index.i === 0 && index.j === 0;
      shapes.push(
        `<polygon points="${points(lattice.cell.corners)}" fill="${isHome ? '#c9a227' : 'none'}" fill-opacity="0.35" stroke="#c9c4b6"/>`,
        `<polygon points="${points(sign)}" fill="${isHome ? '#b3402e' : '#22304a'}"/>`,
      );
    });
  }
  const { axes, centres } = symmetryElements(lattice, WINDOW);
  for (const { from, to, glides } of axes)
    shapes.push(
      `<line x1="${from.x.toFixed(1)}" y1="${from.y.toFixed(1)}" x2="${to.x.toFixed(1)}" y2="${to.y.toFixed(1)}" stroke="#3e7a5e" stroke-width="${glides ? 1 : 1.6}"${glides ? ' stroke-dasharray="2 5"' : ''}/>`,
    );
  for (const { x, y, order } of centres)
    shapes.push(
      `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="6" fill="#f2eee4" stroke="#3e7a5e"/>`,
      `<text x="${x.toFixed(1)}" y="${(y + 3).toFixed(1)}" font-family="sans-serif" font-size="9" text-anchor="middle" fill="#1f2430">${order}</text>`,
    );
  const [w, h] = [WINDOW.right - WINDOW.left, WINDOW.bottom - WINDOW.top];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="${WINDOW.left} ${WINDOW.top} ${w} ${h}"><title>${planeGroupOf(next)}</title><rect x="${WINDOW.left}" y="${WINDOW.top}" width="100%" height="100%" fill="#f2eee4"/>${shapes.join('')}</svg>\n`;
}

const folder = new URL('../docs/symmetry/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const next of STEPS) writeFileSync(new URL(`${planeGroupOf(next)}.svg`, folder), picture(next));
