import { Block, polar, type P } from '../block.ts';

export function starfish(): Block {
  const block = new Block(61);
  const centre: P = [100, 104];
  const bends = [4, -6, 3, 8, -5];
  const outline = bends.flatMap((bend, i): P[] => {
    const a = i * 72 + bend;
    return [
      polar(centre, a - 14, 56),
      polar(centre, a - 6, 88),
      polar(centre, a, 98),
      polar(centre, a + 6, 88),
      polar(centre, a + 14, 56),
      polar(centre, i * 72 + 36, 33),
    ];
  });
  block.shape('weld', outline);
  bends.forEach((bend, i) => {
    const a = i * 72 + bend;
    for (let k = 0; k < 6; k += 1) block.pick('chalk', polar(centre, a, 20 + k * 12), 3.6 - k * 0.38);
    for (const side of [-1, 1])
      for (let k = 0; k < 4; k += 1)
        block.gouge(
          'madder',
          [
            polar(centre, a + side * (16 - k * 2.2), 36 + k * 12),
            polar(centre, a + side * (13 - k * 2), 39 + k * 12),
            polar(centre, a + side * (8 - k * 1.3), 40 + k * 12),
          ],
          2.6,
        );
  });
  block.pick('madder', centre, 6).pick('chalk', centre, 2.6);
  return block;
}
