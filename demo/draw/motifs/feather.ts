import { along, Block, polar, type P } from '../block.ts';

const QUILL: readonly P[] = [
  [60, 262],
  [64, 214],
  [62, 150],
  [70, 86],
  [88, 20],
];

export function feather(): Block {
  const block = new Block(73);
  const vane: P[] = [
    [90, 12],
    [106, 48],
    [104, 92],
    [96, 136],
    [88, 180],
    [72, 212],
    [60, 214],
    [44, 196],
    [36, 160],
    [40, 120],
    [52, 76],
    [72, 34],
  ];
  block.shape('indigo', vane);
  const points = along(QUILL, false, 13);
  points.forEach(([x, y], i) => {
    if (i < 4 || i > points.length - 2) return;
    const reach = 40 * Math.sin((Math.PI * (i - 2)) / points.length);
    block.gouge(
      'chalk',
      [[x + 3, y], polar([x, y], 42, reach * 0.5), polar([x, y], 36, reach * block.between(0.8, 1))],
      2.3,
    );
    block.gouge(
      'chalk',
      [[x - 3, y + 4], polar([x, y + 4], -44, reach * 0.42), polar([x, y + 4], -40, reach * block.between(0.64, 0.8))],
      2.3,
    );
  });
  // Where the barbs have parted.
  block
    .corners('chalk', [
      [104, 104],
      [84, 122],
      [101, 112],
    ])
    .corners('chalk', [
      [38, 150],
      [54, 138],
      [40, 158],
    ]);
  block.strip('weld', QUILL, (t) => 5.4 - 4 * t);
  return block;
}
