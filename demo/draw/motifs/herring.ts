import { Block, type P } from '../block.ts';

export function herring(): Block {
  const block = new Block(83);
  block.shape('indigo', [
    [4, 44],
    [30, 24],
    [74, 12],
    [122, 14],
    [168, 30],
    [190, 40],
    [168, 54],
    [122, 72],
    [74, 74],
    [30, 62],
  ]);
  block.corners('indigo', [
    [182, 42],
    [226, 10],
    [216, 42],
    [230, 76],
  ]);
  block
    .corners('indigo', [
      [92, 15],
      [116, 0],
      [126, 17],
    ])
    .corners('indigo', [
      [104, 71],
      [118, 86],
      [128, 69],
    ]);
  // The belly, left pale.
  block.shape('shell', [
    [34, 56],
    [74, 62],
    [120, 60],
    [166, 48],
    [150, 57],
    [118, 68],
    [74, 70],
  ]);
  block.gouge(
    'chalk',
    [
      [48, 22],
      [56, 42],
      [46, 64],
    ],
    4.6,
  );
  for (let row = 0; row < 3; row += 1)
    for (let k = 0; k < 9 - row; k += 1) {
      const x = 70 + k * 11.5 + row * 5;
      const y = 26 + row * 11 + k * 0.7;
      block.gouge(
        'chalk',
        [
          [x, y - 4],
          [x + 4.4, y],
          [x, y + 4.4],
        ] as P[],
        2.3,
      );
    }
  for (const y of [24, 34, 52, 62])
    block.gouge(
      'chalk',
      [
        [196, 42 + (y - 43) * 0.4],
        [206, 42 + (y - 43) * 0.75],
        [216, 42 + (y - 43) * 1.1],
      ],
      2.2,
    );
  block.pick('chalk', [26, 40], 5.4).pick('indigo', [26, 40], 2.5);
  return block;
}
