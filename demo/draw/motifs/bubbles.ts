import { Block, ellipse } from '../block.ts';

export function bubbles(): Block {
  const block = new Block(109);
  for (const [x, y, r] of [
    [36, 62, 30],
    [82, 34, 20],
    [76, 80, 11],
    [44, 14, 9],
  ] as const) {
    block.shape('indigo', ellipse(x, y, r, r * 0.96, 0, 12), 0.6);
    block.shape('chalk', ellipse(x + r * 0.03, y - r * 0.02, r * 0.76, r * 0.73, 0, 12), 0.5);
    block.gouge(
      'indigo',
      [
        [x - r * 0.42, y + r * 0.1],
        [x - r * 0.36, y - r * 0.3],
        [x, y - r * 0.46],
      ],
      r * 0.14,
    );
  }
  return block;
}
