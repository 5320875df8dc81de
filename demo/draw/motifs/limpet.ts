import { Block, ellipse, polar, type P } from '../block.ts';

export function limpet(): Block {
  const block = new Block(97);
  const peak: P = [56, 46];
  block.shape('kelp', ellipse(60, 52, 58, 49, 8, 15), 1.5);
  block.shape('shell', ellipse(57, 47, 25, 21, 8, 10), 1);
  for (let k = 0; k < 15; k += 1) {
    const a = k * 24 + 6;
    const reach = 42 + 10 * Math.abs(Math.sin((a * Math.PI) / 180));
    block.gouge('chalk', [polar(peak, a, 16), polar(peak, a, 28), polar(peak, a + 2, reach - 5)], 4);
  }
  block.pick('indigo', peak, 6.5).gouge(
    'chalk',
    [
      [52, 47],
      [55, 43],
      [59, 43],
    ],
    2,
  );
  return block;
}
