import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FIGURE_KINDS, type Piece } from '../recipe/index.ts';
import { measured } from './figure.ts';
import { FIGURES } from './figures.ts';
import { variations } from './variations.ts';

const piece = (figure: Piece['figure'], rest: Partial<Piece> = {}): Piece => ({
  figure,
  values: {},
  text: 'Ebb',
  font: 'bench',
  x: 3,
  y: 4,
  rotation: 15,
  combine: 'lay',
  fill: { ink: '#b3402e', fade: null },
  outline: null,
  ...rest,
});

describe('alternatives', () => {
  it('vary the measures alone: place, turn, inks and meeting stay', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FIGURE_KINDS), fc.integer({ min: 1, max: 9999 }), (figure, seed) => {
        for (const { pieces } of variations(
          { kind: 'shape', pieces: [piece(figure), piece('dot', { combine: 'cut' })] },
          seed,
          4,
        )) {
          const rest = { ...(pieces[0] as Piece), values: {} };
          expect(rest).toEqual(piece(figure));
          expect(pieces[1]?.combine).toBe('cut');
        }
      }),
    );
  });

  it('leave what is fixed, and make counts whole', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FIGURE_KINDS), fc.integer({ min: 1, max: 9999 }), (figure, seed) => {
        const { measures } = FIGURES[figure];
        const usual = measured(FIGURES[figure], {});
        for (const { pieces } of variations({ kind: 'shape', pieces: [piece(figure)] }, seed, 3)) {
          for (const { key, fixed, whole } of measures) {
            const value = pieces[0]?.values[key] as number;
            if (whole) expect(Number.isInteger(value), `${figure} ${key}`).toBe(true);
            if (fixed && key !== 'seed') expect(value, `${figure} ${key}`).toBe(usual[key]);
          }
        }
      }),
    );
  });

  it('keep sizes near what they were, so that each could take its place', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FIGURE_KINDS), fc.integer({ min: 1, max: 9999 }), (figure, seed) => {
        const usual = measured(FIGURES[figure], {});
        for (const { pieces } of variations({ kind: 'shape', pieces: [piece(figure)] }, seed, 5)) {
          for (const { key, unit } of FIGURES[figure].measures) {
            if (unit === 'mm')
              expect(
                Math.abs((pieces[0]?.values[key] as number) / (usual[key] as number) - 1),
                `${figure} ${key}`,
              ).toBeLessThan(0.26);
          }
        }
      }),
    );
  });
});
