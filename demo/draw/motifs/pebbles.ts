import { Block } from '../block.ts';

export function flatPebble(): Block {
  const block = new Block(103);
  block.shape('shell', [
    [6, 30],
    [22, 8],
    [54, 4],
    [84, 14],
    [92, 34],
    [76, 54],
    [44, 60],
    [16, 52],
  ]);
  for (const [x, y] of [
    [30, 22],
    [48, 16],
    [64, 26],
    [40, 38],
    [60, 44],
    [76, 34],
    [24, 38],
  ] as const)
    block.pick('madder', [x, y], block.between(1.6, 2.8));
  block.gouge(
    'chalk',
    [
      [16, 30],
      [26, 17],
      [44, 11],
    ],
    3.4,
  );
  return block;
}

export function bandedPebble(): Block {
  const block = new Block(107);
  block.shape('indigo', [
    [8, 34],
    [18, 12],
    [44, 4],
    [66, 12],
    [76, 34],
    [68, 58],
    [42, 68],
    [18, 58],
  ]);
  block.gouge(
    'chalk',
    [
      [8, 40],
      [34, 30],
      [54, 31],
      [71, 26],
    ],
    6,
  );
  block.gouge(
    'chalk',
    [
      [14, 54],
      [38, 44],
      [56, 44],
      [71, 40],
    ],
    3,
  );
  block.gouge(
    'chalk',
    [
      [24, 16],
      [36, 10],
      [48, 10],
    ],
    2.6,
  );
  return block;
}
