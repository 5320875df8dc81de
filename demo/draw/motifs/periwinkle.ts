import { Block, type P } from '../block.ts';

export function periwinkle(): Block {
  const block = new Block(101);
  block.shape('weld', [
    [52, 4],
    [70, 14],
    [88, 38],
    [94, 62],
    [84, 86],
    [58, 98],
    [28, 92],
    [10, 72],
    [8, 48],
    [22, 24],
  ]);
  const spiral: P[] = Array.from({ length: 26 }, (_, i): P => {
    const a = i * 0.46;
    const r = 39 * (1 - i / 27);
    return [50 + r * Math.cos(a + 0.7), 54 + r * 0.92 * Math.sin(a + 0.7)];
  });
  block.gouge('indigo', spiral, 6.5);
  for (const [x, y] of [
    [70, 22],
    [80, 38],
    [84, 56],
  ] as const)
    block.gouge(
      'chalk',
      [
        [x - 6, y - 4],
        [x, y],
        [x + 3, y + 7],
      ],
      3,
    );
  for (const [x, y] of [
    [30, 44],
    [32, 56],
    [36, 66],
  ] as const)
    block.gouge(
      'chalk',
      [
        [x, y - 6],
        [x + 2, y],
        [x + 1, y + 6],
      ],
      2.8,
    );
  return block;
}
