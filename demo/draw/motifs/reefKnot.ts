import { along, Block, mirror, type P } from '../block.ts';

const ROPE = 22;
const AXIS = 130;
/** Half of the left rope, from its end to the top of its bight; the other half is its reflection. */
const UPPER: readonly P[] = [
  [8, 40],
  [48, 43],
  [86, 65],
  [114, 65],
  [146, 43],
  [170, 37],
  [194, 53],
  [199, 82],
];
const lowered = (points: readonly P[]): P[] => points.map(([x, y]): P => [x, 164 - y]);

/** One length of rope: a gap cut round it, the rope, its strands. */
function lay(block: Block, ink: 'weld' | 'madder', points: readonly P[]): void {
  block.strip('indigo', points, ROPE + 6);
  block.strip(ink, points, ROPE);
  points.forEach(([x, y], i) => {
    const next = points[i + 1];
    if (!next) return;
    const length = Math.hypot(next[0] - x, next[1] - y) || 1;
    const [tx, ty] = [(next[0] - x) / length, (next[1] - y) / length];
    const at = (forward: number, across: number): P => [x + tx * forward - ty * across, y + ty * forward + tx * across];
    block.gouge('chalk', [at(-2, -ROPE * 0.4), at(3.4, 0), at(8, ROPE * 0.4)], 2.7);
  });
}

/** The binding that keeps an end from fraying. */
function whip(block: Block, x: number, y: number): void {
  block.corners('indigo', [
    [x - 5, y - 14],
    [x + 5, y - 14],
    [x + 5, y + 14],
    [x - 5, y + 14],
  ]);
  block.gouge(
    'chalk',
    [
      [x - 1, y - 11],
      [x, y],
      [x - 1, y + 11],
    ],
    2,
  );
}

export function reefKnot(): Block {
  const block = new Block(41);
  const left = along([...UPPER, ...lowered(UPPER).reverse().slice(1)], false, 9);
  const right = mirror(left, AXIS);
  // The right rope goes under both bights and over the left one's arms between them.
  lay(block, 'madder', right);
  lay(block, 'weld', left);
  const over = right.filter(([x]) => x > 103 && x < 158);
  lay(
    block,
    'madder',
    over.filter(([, y]) => y < 82),
  );
  lay(
    block,
    'madder',
    over.filter(([, y]) => y > 82),
  );
  for (const x of [10, 2 * AXIS - 10]) for (const y of [40, 124]) whip(block, x, y);
  return block;
}
