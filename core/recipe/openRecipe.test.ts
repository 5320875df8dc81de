import { expect, it } from 'vitest';
import { openRecipe } from './openRecipe.ts';

const piece = {
  figure: 'dot',
  values: {},
  text: '',
  font: 'logbook',
  x: 0,
  y: 0,
  rotation: 0,
  combine: 'lay',
  outline: null,
};

it('reads fades of the first version as fades with two stops', () => {
  const opened = openRecipe({
    kind: 'shape',
    pieces: [
      { ...piece, fill: { ink: '#3e7a5e', fade: { angle: 45, rest: 0.25 } } },
      { ...piece, fill: { ink: '#3e7a5e', fade: null } },
      { ...piece, fill: null },
    ],
  });
  expect(opened).toMatchObject({
    pieces: [
      {
        fill: {
          fade: {
            kind: 'across',
            angle: 45,
            stops: [
              { offset: 0, ink: '#3e7a5e', opacity: 1 },
              { offset: 1, ink: '#3e7a5e', opacity: 0.25 },
            ],
          },
        },
      },
      { fill: { fade: null } },
      { fill: null },
    ],
  });
  expect(openRecipe(JSON.parse(JSON.stringify(opened)))).toEqual(opened);
});

it('refuses stops that do not rise', () => {
  const stop = (offset: number) => ({ offset, ink: '#3e7a5e', opacity: 1 });
  const fade = { kind: 'glow', middle: { x: 0, y: 0 }, radius: 4, stops: [stop(0.5), stop(0.4)] };
  expect(() => openRecipe({ kind: 'shape', pieces: [{ ...piece, fill: { ink: '#3e7a5e', fade } }] })).toThrow(/behind/);
});
