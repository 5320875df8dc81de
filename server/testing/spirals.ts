import { afterAll, beforeAll, expect } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { step } from '../../core/lattice/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { openTestStudio, type TestStudio } from './testStudio.ts';

const SPIRAL = `<svg xmlns="http://www.w3.org/2000/svg" width="30mm" height="40mm" viewBox="0 0 30 40">
  <path d="M2 20C2 5 28 5 28 20S10 38 15 39 2 30 2 20z" fill="#b5442f"/><circle cx="12" cy="18" r="5" fill="#f4ecdc" stroke="#22304a"/></svg>`;

export const SPIRAL_REPEAT = { width: 61.3, height: 47.9, step: step('half-drop', 1, 3) };

/** A studio with one motif, for the tests of a file, and designs made of it. */
export interface Spirals {
  readonly hevrel: TestStudio;
  readonly motif: string;
  /** A design with two spirals that is not stored. */
  document(): Design;
  /** Stores such a design. */
  create(): Promise<Design>;
}

/** Opens the studio before a file's tests and closes it after them. */
export function useSpirals(): Spirals {
  let hevrel: TestStudio;
  let motif: string;
  beforeAll(async () => {
    hevrel = await openTestStudio();
    motif = ((await hevrel.send('spiral.svg', SPIRAL)).body['motif'] as { id: string }).id;
  });
  afterAll(() => hevrel.close());
  const document = (): Design => {
    const blank = newDesign('x', 'Spirals', SPIRAL_REPEAT);
    return {
      ...blank,
      inks: [...blank.inks, { id: 'red', name: 'Red', prints: ['#b5442f'] }],
      colourways: [{ id: 'base', name: 'Base', colours: { ground: '#f2eee4', red: '#205ac0' } }],
      placements: [
        leafAt('a', { motif, x: 0, y: 10, rotation: 33 }),
        leafAt('b', { motif, x: 40, y: 47, scale: 0.6, flipped: true, opacity: 0.7 }),
      ],
    };
  };
  return {
    get hevrel() {
      return hevrel;
    },
    get motif() {
      return motif;
    },
    document,
    async create() {
      const { status, body } = await hevrel.call('POST', '/designs', { name: 'Spirals', document: document() });
      expect(status).toBe(201);
      return body['design'] as Design;
    },
  };
}
