import { Block, ellipse, mirror, type P } from '../block.ts';

const AXIS = 120;
const LEGS: readonly (readonly P[])[] = [
  [
    [74, 104],
    [44, 92],
    [18, 104],
    [4, 124],
  ],
  [
    [72, 116],
    [42, 112],
    [20, 130],
    [12, 152],
  ],
  [
    [76, 128],
    [50, 132],
    [34, 152],
    [32, 174],
  ],
  [
    [86, 138],
    [66, 150],
    [56, 168],
    [60, 188],
  ],
];
const CLAW: readonly P[] = [
  [56, 62],
  [36, 52],
  [26, 30],
  [36, 8],
  [50, 0],
  [46, 18],
  [50, 28],
  [58, 14],
  [72, 10],
  [80, 26],
  [76, 48],
  [66, 60],
];

export function crab(): Block {
  const block = new Block(23);
  for (const side of [(p: readonly P[]): readonly P[] => p, (p: readonly P[]): readonly P[] => mirror(p, AXIS)]) {
    for (const leg of LEGS) block.strip('madder', side(leg), (t) => 11 * (1 - t) ** 0.7 + 1.5);
    block.strip(
      'madder',
      side([
        [86, 88],
        [66, 78],
        [58, 62],
        [60, 50],
      ]),
      (t) => 13 - 2 * t,
    );
    block.shape('madder', side(CLAW));
    block.gouge(
      'chalk',
      side([
        [34, 40],
        [40, 52],
        [56, 56],
      ]),
      4,
    );
    block.gouge(
      'chalk',
      side([
        [66, 24],
        [70, 36],
        [64, 48],
      ]),
      4.4,
    );
    block.gouge(
      'chalk',
      side([
        [38, 18],
        [35, 28],
        [38, 36],
      ]),
      3.4,
    );
    for (const leg of LEGS) {
      const [, b, c] = leg as [P, P, P];
      block.gouge('chalk', side([[b[0] + 8, b[1] + 1], [(b[0] + c[0]) / 2, (b[1] + c[1]) / 2 - 1], c]), 2.6);
    }
    block.strip(
      'indigo',
      side([
        [106, 80],
        [104, 70],
        [102, 64],
      ]),
      4,
    );
    block.pick('indigo', side([[101, 62]])[0] as P, 5.2);
  }
  block.shape('madder', [
    [120, 76],
    [144, 78],
    [168, 90],
    [176, 106],
    [166, 124],
    [146, 142],
    [120, 148],
    [94, 142],
    [74, 124],
    [64, 106],
    [72, 90],
    [96, 78],
  ]);
  block.shape('chalk', ellipse(120, 108, 30, 14));
  block.shape('madder', ellipse(120, 111, 28, 13));
  for (const side of [-1, 1]) {
    for (let k = 0; k < 5; k += 1) {
      const x = 120 + side * (12 + k * 9);
      block.gouge(
        'chalk',
        [
          [x, 132 - k * 4.4],
          [x + side * 3, 128 - k * 5.2],
          [x + side * 4.4, 120 - k * 5.4],
        ],
        3.2,
      );
    }
    block.gouge(
      'chalk',
      [
        [120 + side * 18, 86],
        [120 + side * 34, 89],
        [120 + side * 46, 97],
      ],
      3.6,
    );
  }
  for (const [x, y] of [
    [108, 108],
    [120, 112],
    [132, 108],
    [114, 117],
    [126, 117],
  ] as const)
    block.pick('chalk', [x, y], 2.1);
  return block;
}
