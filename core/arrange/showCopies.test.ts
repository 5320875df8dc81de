import { expect, it } from 'vitest';
import { apply, type Design, inkResolver, inverse, newDesign, newPlacement } from '../document/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { showCopies } from './showCopies.ts';

const blank = newDesign('d', 'Kelp', { width: 60, height: 40, step: SQUARE });
const design: Design = {
  ...blank,
  inks: [
    ...blank.inks,
    { id: 'red', name: 'Red', prints: ['#aa0000'] },
    { id: 'rust', name: 'Rust', prints: [], only: [{ motif: 'crab', colour: '#aa0000' }] },
  ],
  colourways: [{ id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e', rust: '#00ff00' } }],
  placements: ['crab', 'crab', 'buoy'].map((id, n) => newPlacement(`p${n}`, { id }, { x: n, y: 0 })),
};

it('shows a copy where it is asked for, printed as the motif is, and goes back in one step', () => {
  const command = showCopies(design, ['p1', 'p2'], new Map([['crab', 'copy']]));
  const after = apply(design, command);
  expect(after.placements.map(({ motif }) => motif)).toEqual(['crab', 'copy', 'buoy']);
  const resolve = inkResolver(after);
  expect(['crab', 'copy', 'buoy'].map((motif) => resolve('#aa0000', motif))).toEqual(['#00ff00', '#00ff00', '#b3402e']);
  expect(apply(after, inverse(design, command))).toEqual(design);
});

it('leaves the inks alone where none is of a motif that is copied', () => {
  expect(showCopies(design, ['p2'], new Map([['buoy', 'copy']]))).toEqual({
    type: 'change',
    changes: { p2: { motif: 'copy' } },
  });
});
