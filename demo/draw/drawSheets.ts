// Draws the sheets that lie by the simulated scanner: `npx tsx demo/draw/drawSheets.ts`.
import { writeFileSync } from 'node:fs';
import { compose, rotationMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { seeded } from '../../core/random/index.ts';
import type { FigureKind } from '../../core/recipe/index.ts';
import { transformPath } from '../../core/motif/index.ts';
import { FIGURES, measured, type Values } from '../../core/shapes/index.ts';
import { letterer } from '../../server/motifs/letterer.ts';
import { along, ellipse, polar, type P } from './block.ts';

const INK = '#26231f';
const PENCIL = '#8d8a86';
const random = seeded(5);
const wobble = (by: number): number => (random() - 0.5) * 2 * by;
const number = (n: number): string => n.toFixed(2);
const path = (points: readonly P[], closed: boolean): string =>
  `M${points.map(([x, y]) => `${number(x)} ${number(y)}`).join('L')}${closed ? 'Z' : ''}`;

/** A line drawn by hand: a little unsteady, thicker here and thinner there. */
function line(points: readonly P[], closed: boolean, width: number, colour = INK): string {
  const steady = along(points, closed, 1.4).map(([x, y]): P => [x + wobble(0.12), y + wobble(0.12)]);
  return `<path d="${path(steady, closed)}" fill="none" stroke="${colour}" stroke-width="${number(width * (0.9 + 0.3 * random()))}" stroke-linecap="round" stroke-linejoin="round"/>`;
}

const spot = ([x, y]: P, r: number, colour = INK): string =>
  `<path d="${path(along(ellipse(x, y, r * (0.85 + 0.3 * random()), r, random() * 180, 8), true, 0.4), true)}" fill="${colour}"/>`;
const words = (text: string, x: number, y: number, size: number): string =>
  `<path transform="translate(${x} ${y})" d="${letterer('logbook', text, { size })}" fill="${PENCIL}"/>`;
/** A ruled frame line above and below, by which the sheet can be straightened. */
const ruled = (text: string): string =>
  `${words(text, 58, 17, 9)}<path d="M15 24.5H195M15 281H195" stroke="${PENCIL}" stroke-width="0.45"/>`;

function limpet(c: P): string {
  const ring = (r: number): P[] => Array.from({ length: 16 }, (_, i) => polar(c, i * 22.5, r * (1 + wobble(0.05))));
  const ribs = Array.from({ length: 22 }, (_, i) =>
    line([polar(c, i * 16.4, 7), polar(c, i * 16.4 + wobble(2), 15), polar(c, i * 16.4 + wobble(2), 24)], false, 0.5),
  ).join('');
  return line(ring(27), true, 1.1) + line(ring(5), true, 0.8) + ribs;
}

function whelk([x, y]: P): string {
  const spiral = Array.from({ length: 30 }, (_, i): P => polar([x, y - 10], i * 34, 2 + i * 0.62));
  const body: P[] = [
    [x + 18, y - 12],
    [x + 16, y + 8],
    [x + 4, y + 30],
    [x - 3, y + 33],
    [x - 2, y + 20],
    [x - 12, y + 6],
  ];
  const lip: P[] = [
    [x + 9, y + 6],
    [x + 6, y + 16],
    [x + 1, y + 25],
  ];
  return (
    line(spiral, false, 1.1) +
    line(body, false, 1.2) +
    line(lip, false, 0.8) +
    [0, 1, 2, 3]
      .map((i) =>
        line(
          [
            [x + 12 - i * 2.5, y + 6 + i * 5],
            [x + 8 - i * 2, y + 8 + i * 5],
          ],
          false,
          0.5,
        ),
      )
      .join('')
  );
}

function starfish(c: P): string {
  const outline = Array.from({ length: 10 }, (_, i) => polar(c, i * 36 + wobble(3), i % 2 === 0 ? 29 : 10));
  const spots = Array.from({ length: 5 }, (_, arm) =>
    [0, 1, 2, 3].map((k) => spot(polar(c, arm * 72, 3 + k * 5.5), 1.1 - k * 0.15)).join(''),
  ).join('');
  return line(outline, true, 1.2) + spots;
}

function wrack([x, y]: P): string {
  const frond = (from: P, angle: number, length: number, depth: number): string => {
    const to = polar(from, angle, length);
    const stem = line([from, polar(from, angle + wobble(8), length / 2), to], false, 0.6 + depth * 0.35);
    if (depth === 0) return stem + line(ellipse(...polar(to, angle, 3), 2, 3.4, angle), true, 0.7);
    return (
      stem +
      frond(to, angle - 26 + wobble(6), length * 0.74, depth - 1) +
      frond(to, angle + 26 + wobble(6), length * 0.74, depth - 1)
    );
  };
  return frond([x, y + 34], wobble(4), 20, 3);
}

function urchin(c: P): string {
  const rows = Array.from({ length: 10 }, (_, i) =>
    Array.from({ length: 7 }, (_, k) => spot(polar(c, i * 36 + (k % 2) * 6, 6 + k * 3), 0.75 - k * 0.04)).join(''),
  ).join('');
  return line(ellipse(...c, 27, 26.4), true, 1.1) + line(ellipse(...c, 3.4, 3.2), true, 0.7) + rows;
}

function barnacles([x, y]: P): string {
  const one = ([cx, cy]: P, r: number): string =>
    line(
      Array.from({ length: 12 }, (_, i) => polar([cx, cy], i * 30, r * (i % 2 === 0 ? 1 : 0.84))),
      true,
      0.9,
    ) +
    line(ellipse(cx, cy, r * 0.36, r * 0.26, 20), true, 0.7) +
    [0, 1, 2, 3, 4, 5]
      .map((i) => line([polar([cx, cy], i * 60, r * 0.45), polar([cx, cy], i * 60, r * 0.78)], false, 0.45))
      .join('');
  return one([x - 13, y + 4], 13) + one([x + 12, y - 8], 10) + one([x + 12, y + 16], 11);
}

const figure = (kind: FigureKind, values: Values, x: number, y: number, rotation: number, colour: string): string =>
  `<path d="${transformPath(FIGURES[kind].outline(measured(FIGURES[kind], values)), compose(translationMatrix(x, y), rotationMatrix(rotation)))}" fill="${colour}"/>`;

const INDIGO = '#27385c';
const MADDER = '#b0432e';
const lino = [
  figure('petals', { width: 62, count: 8, breadth: 80, eye: 0, open: 26 }, 60, 75, 8, INDIGO) +
    figure('dot', { width: 13, height: 12 }, 60, 75, 0, MADDER),
  figure('scallop', { width: 64, height: 50, bows: 9, bow: 60 }, 148, 76, 0, MADDER) +
    Array.from({ length: 5 }, (_, i) =>
      figure(
        'drop',
        { height: 20, width: 3.4, waist: 60 },
        148 + (i - 2) * 8,
        72 + Math.abs(i - 2) * 2,
        (i - 2) * -14,
        '#ffffff',
      ),
    ).join(''),
  figure('leaf', { height: 74, width: 30, vein: 9, bites: 4, seed: 12 }, 60, 165, 18, INDIGO),
  figure('star', { width: 58, points: 5, depth: 50, round: 90 }, 148, 160, 0, INDIGO) +
    figure('ring', { width: 16, hole: 55 }, 148, 160, 0, MADDER),
  [0, 1, 2]
    .map((i) =>
      figure(
        'pebble',
        { width: 26 - i * 3, height: 17 - i, rough: 45, seed: 4 + i },
        36 + i * 30,
        245 + (i % 2) * 6,
        i * 20,
        i === 1 ? MADDER : INDIGO,
      ),
    )
    .join(''),
  figure('wave', { width: 66, crests: 4, rise: 9, band: 4.5, lean: 40 }, 150, 240, 0, INDIGO) +
    figure('wave', { width: 66, crests: 4, rise: 9, band: 4.5, lean: 40 }, 150, 253, 0, MADDER),
];

const brush = [
  ...Array.from({ length: 7 }, (_, i) =>
    figure(
      'blade',
      { height: 70 + wobble(8), width: 8 + wobble(2), bend: wobble(60) },
      34 + i * 11,
      84,
      wobble(8),
      '#3d5a49',
    ),
  ),
  ...Array.from({ length: 5 }, (_, i) =>
    figure(
      'pebble',
      { width: 24, height: 16, rough: 50, seed: 40 + i },
      124 + (i % 3) * 28,
      70 + Math.floor(i / 3) * 34,
      wobble(40),
      '#6f6a60',
    ),
  ),
  figure(
    'petals',
    { width: 64, count: 5, breadth: 105, swell: 60, blunt: 70, open: 10, eye: 0 },
    62,
    190,
    12,
    '#9c3f2c',
  ),
  figure('drop', { height: 66, width: 30 }, 148, 188, 24, '#31507a'),
];

const sheet = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="210mm" height="297mm" viewBox="0 0 210 297">\n${body.replaceAll('><', '>\n<')}\n</svg>\n`;
const write = (id: string, body: string): void =>
  writeFileSync(new URL(`../sheets/${id}.svg`, import.meta.url), sheet(body));

write(
  'ink-studies',
  ruled('Low Tide, studies in ink') +
    limpet([58, 68]) +
    whelk([150, 66]) +
    starfish([58, 150]) +
    urchin([150, 150]) +
    wrack([58, 232]) +
    barnacles([150, 236]),
);
write('lino-proofs', ruled('Low Tide, proofs in two inks') + lino.join(''));
write('brush-marks', ruled('Low Tide, brush marks') + brush.join(''));
