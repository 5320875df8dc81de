import { describe, expect, it } from 'vitest';
import { followEdit } from './followEdit.ts';
import { layAbout } from './patternMatrix.ts';
import type { Product } from './product.ts';
import { fillOf, newTryOn, withOrigin } from './tryOn.ts';

const product = (id: string, ...pieces: string[]): Product => ({
  version: 1,
  id,
  name: id,
  group: 'own',
  size: '',
  width: 100,
  height: 100,
  backdrop: '#ffffff',
  pieces: pieces.map((piece) => ({
    id: piece,
    name: piece,
    face: { kind: 'flat', x: 0, y: 0, unit: 1, rotation: 0 },
    grain: 0,
    datum: { x: 50, y: 50 },
  })),
});
const VEST = product('vest', 'front', 'back');
const MUG = product('mug', 'print');

describe('a try-on beside another', () => {
  const vest = newTryOn('Vest', VEST, { design: 'd' });
  const mug = newTryOn('Mug', MUG, { design: 'd' });

  it('takes over size and angle, about its own datum', () => {
    const after = layAbout(vest, VEST, 'front', { scale: 0.5, rotation: 30 }, { x: 7, y: 3 });
    expect(fillOf(followEdit(vest, after, VEST, mug, MUG), 'print')).toMatchObject({
      scale: 0.5,
      rotation: 30,
      x: 0,
      y: 0,
    });
  });

  it('is moved as far as the other was, from where it lay', () => {
    const lying = withOrigin(mug, 'print', 4, -2);
    const after = withOrigin(vest, 'front', 10, 20);
    expect(fillOf(followEdit(vest, after, VEST, lying, MUG), 'print')).toMatchObject({ x: 14, y: 18, scale: 1 });
    const same = withOrigin(newTryOn('Other vest', VEST, { design: 'e' }), 'back', 1, 1);
    const moved = followEdit(vest, withOrigin(vest, 'back', 5, 5), VEST, same, VEST);
    expect([fillOf(moved, 'back').x, fillOf(moved, 'front').x]).toEqual([6, 0]);
  });

  it('stays as it is where nothing was done', () => {
    expect(followEdit(vest, { ...vest, name: 'Renamed' }, VEST, mug, MUG)).toBe(mug);
  });
});
