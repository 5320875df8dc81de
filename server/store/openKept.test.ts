import { expect, it } from 'vitest';
import { DESIGN_VERSION, type Design, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { openKept } from './openKept.ts';

const design = newDesign('d', 'Kelp', { width: 60, height: 40, step: SQUARE });

it('takes a document that was checked as it is, and checks all others', () => {
  expect(openKept(design, true)).toBe(design);
  expect(openKept(JSON.parse(JSON.stringify(design)), false)).toEqual(design);
  const broken = { ...design, repeat: null };
  expect(() => openKept(broken, false)).toThrow();
  // One of an earlier version is brought up to date, whenever it was checked.
  const earlier = { ...design, version: DESIGN_VERSION - 1, ground: 'ground' } as unknown as Design;
  expect(openKept(earlier, true)).toMatchObject({ version: DESIGN_VERSION });
});
