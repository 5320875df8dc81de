import { expect, it } from 'vitest';
import { nameOfShape } from './nameOfShape.ts';
import { newPiece, withFigure } from './pieces.ts';

const petals = newPiece('petals', '#b3402e');
const words = (text: string) => ({ ...newPiece('lettering', '#b3402e'), text });

it('names a shape after its words, or else after its first figure', () => {
  expect(nameOfShape({ kind: 'shape', pieces: [petals] })).toBe('Petals');
  expect(nameOfShape({ kind: 'shape', pieces: [petals, words(' Hello \n there ')] })).toBe('Hello there');
  expect(nameOfShape({ kind: 'shape', pieces: [words('  '), petals] })).toBe('Lettering');
  expect(nameOfShape({ kind: 'shape', pieces: [words('a'.repeat(300))] })).toHaveLength(120);
});

it('keeps what both figures have when one becomes the other', () => {
  const piece = { ...petals, x: 4, rotation: 30, values: { ...petals.values, width: 71 }, fill: null };
  const star = withFigure(piece, 'star');
  expect(star).toMatchObject({ figure: 'star', x: 4, rotation: 30, fill: null, text: '' });
  expect(star.values).toMatchObject({ width: 71, points: 5 });
  expect(Object.keys(star.values)).not.toContain('swell');
  expect(withFigure(star, 'lettering').text).not.toBe('');
});
