import { Block, polar, type P } from '../block.ts';

export function scallop(): Block {
  const block = new Block(71);
  const hinge: P = [100, 164];
  const edge: P[] = [];
  for (let k = 0; k <= 10; k += 1) {
    const a = -62 + k * 12.4;
    edge.push(polar(hinge, a, 134), ...(k < 10 ? [polar(hinge, a + 6.2, 126)] : []));
  }
  block.corners('shell', [
    [70, 150],
    [130, 150],
    [138, 172],
    [100, 178],
    [62, 172],
  ]);
  block.shape('shell', [...edge, [128, 152], [100, 170], [72, 152]]);
  for (let k = 0; k < 10; k += 1) {
    const a = -55.8 + k * 12.4;
    block.gouge('chalk', [polar(hinge, a, 30), polar(hinge, a, 76), polar(hinge, a, 122)], 5.4);
  }
  for (const r of [58, 84, 108])
    for (let k = 1; k <= 9; k += 1) {
      const a = -62 + k * 12.4;
      block.gouge('madder', [polar(hinge, a - 3.2, r), polar(hinge, a, r + 3), polar(hinge, a + 3.2, r)], 2.6 + r / 60);
    }
  block.gouge(
    'madder',
    [
      [76, 166],
      [100, 172],
      [124, 166],
    ],
    3.4,
  );
  return block;
}
