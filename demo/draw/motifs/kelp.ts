import { along, Block, polar, type P } from '../block.ts';

const STIPE: readonly P[] = [
  [92, 296],
  [84, 256],
  [98, 214],
  [86, 168],
  [100, 122],
  [90, 74],
  [104, 24],
];

/** A blade growing from a point, its edge ruffled. */
function blade(block: Block, root: P, angle: number, length: number, width: number): void {
  const side = angle > 0 ? 1 : -1;
  const line: P[] = [
    root,
    polar(root, angle, length * 0.35),
    polar(polar(root, angle, length * 0.35), angle - side * 22, length * 0.35),
    polar(polar(polar(root, angle, length * 0.35), angle - side * 22, length * 0.35), angle - side * 46, length * 0.32),
  ];
  block.strip(
    'kelp',
    line,
    (t) => width * Math.sin(Math.PI * Math.min(1, t * 0.94 + 0.06)) ** 0.7 * (1 + 0.12 * Math.sin(t * 26)) + 1,
    0.7,
  );
  const points = along(line, false, 8);
  block.gouge('chalk', points.slice(1, -2), 2.4);
  for (let i = 2; i < points.length - 3; i += 1) {
    const [x, y] = points[i] as P;
    for (const s of [-1, 1])
      block.gouge(
        'chalk',
        [
          [x, y],
          polar([x, y], angle - 16 * side + s * 46, width * 0.2),
          polar([x, y], angle - 22 * side + s * 40, width * 0.38),
        ],
        1.8,
      );
  }
  block.pick('weld', polar(root, angle, 8), 7);
  block.pick('chalk', polar(polar(root, angle, 8), -40, 2.6), 1.9);
}

export function kelp(): Block {
  const block = new Block(53);
  const points = along(STIPE, false, 20);
  block.strip('kelp', STIPE, (t) => 8 - 4 * t);
  for (let i = 2; i < points.length - 1; i += 1) {
    const share = i / points.length;
    blade(block, points[i] as P, (i % 2 ? 64 : -64) * (1 - 0.28 * share), 104 - 34 * share, 25 - 7 * share);
  }
  blade(block, points.at(-1) as P, 14, 64, 17);
  for (const bend of [-26, -8, 12, 30])
    block.strip(
      'kelp',
      [
        [92, 290],
        [92 + bend * 0.6, 304],
        [92 + bend, 314],
      ],
      (t) => 6 - 4.5 * t,
    );
  block.gouge('chalk', along(STIPE, false, 12).slice(1, -2), 1.9);
  return block;
}
