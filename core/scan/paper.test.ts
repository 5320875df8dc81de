import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenLight } from './evenLight.ts';
import { paperColour, removePaper } from './paper.ts';
import { blankPixels } from './pixelImage.ts';
import { picture, alphas, pixel, shown } from '../testing/scanFixtures.ts';

describe('a solid colour on the sheet', () => {
  it('leaves no glow around it when the light is made even', () => {
    const grid = blankPixels(480, 480);
    for (let y = 0; y < 480; y += 1) {
      for (let x = 0; x < 480; x += 1) {
        const light = 1 - x / 2400;
        const ink = Math.hypot(x - 240, y - 240) < 90;
        grid.data.set(
          [(ink ? 176 : 240) * light, (ink ? 66 : 236) * light, (ink ? 46 : 226) * light, 255],
          (y * 480 + x) * 4,
        );
      }
    }
    evenLight(grid);
    const paper: number[] = [];
    for (let y = 0; y < 480; y += 1)
      for (let x = 0; x < 480; x += 1)
        if (Math.hypot(x - 240, y - 240) > 95) paper.push(...grid.data.slice((y * 480 + x) * 4, (y * 480 + x) * 4 + 3));
    expect(paper.reduce((a, b) => Math.max(a, b)) - paper.reduce((a, b) => Math.min(a, b))).toBeLessThanOrEqual(9);
  });
});

describe('taking the paper away', () => {
  it('goes everywhere, or only where it is reached from outside', () => {
    const ring = ['.......', '.#####.', '.#...#.', '.#...#.', '.#####.', '.......'];
    const everywhere = picture(...ring);
    removePaper(everywhere, { reach: 'everywhere', colour: null, tolerance: 20 }, 0);
    expect(shown(everywhere)).toEqual(['       ', ' ##### ', ' #   # ', ' #   # ', ' ##### ', '       ']);
    const outside = picture(...ring);
    removePaper(outside, { reach: 'outside', colour: null, tolerance: 20 }, 0);
    expect(shown(outside)).toEqual(['       ', ' ##### ', ' ##### ', ' ##### ', ' ##### ', '       ']);
    expect(pixel(outside, 3, 2)).toEqual([255, 255, 255, 255]);
  });

  it('does not slip in where a line is closed at corners alone', () => {
    const grid = picture('..#..', '.#.#.', '#...#', '.#.#.', '..#..');
    removePaper(grid, { reach: 'outside', colour: null, tolerance: 20 }, 0);
    expect(shown(grid)).toEqual(['  #  ', ' ### ', '#####', ' ### ', '  #  ']);
  });

  it('leaves ink alone at its own share in a mixed edge, so that no fringe shows', () => {
    const grid = picture('..o#', '..o#');
    removePaper(grid, { reach: 'everywhere', colour: null, tolerance: 20 }, 1);
    // Half ink on paper: black at (255 − 128) / 255.
    expect(pixel(grid, 2, 0)).toEqual([0, 0, 0, 127]);
    expect(pixel(grid, 3, 0)).toEqual([0, 0, 0, 255]);
    expect(pixel(grid, 1, 0)).toEqual([0, 0, 0, 0]);
  });

  it('leaves the white behind a thin line whole, however soft the edge', () => {
    const grid = picture('.......', '.#####.', '.#o.o#.', '.#...#.', '.#####.', '.......');
    removePaper(grid, { reach: 'outside', colour: null, tolerance: 20 }, 3);
    expect(alphas(grid).map((row) => row.join(' '))).toEqual([
      '0 0 0 0 0 0 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 0 0 0 0 0 0',
    ]);
    expect(pixel(grid, 2, 2)).toEqual([128, 128, 128, 255]);
  });

  it('makes any mixture of any ink with the paper that very ink again', () => {
    const channel = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(
        fc.tuple(channel, channel, channel),
        fc.tuple(channel, channel, channel),
        fc.double({ min: 0.4, max: 0.95, noNaN: true }),
        (ink, paper, share) => {
          fc.pre(Math.max(...ink.map((v, c) => Math.abs(v - (paper[c] as number)))) > 60);
          const grid = blankPixels(6, 1);
          const mixed = ink.map((v, c) => Math.round(v * share + (paper[c] as number) * (1 - share)));
          [paper, paper, paper, mixed, ink, ink].forEach((colour, x) => grid.data.set([...colour, 255], x * 4));
          removePaper(grid, { reach: 'everywhere', colour: null, tolerance: 10 }, 1);
          expect(pixel(grid, 3, 0).slice(0, 3)).toEqual(ink);
          expect(Math.abs((pixel(grid, 3, 0)[3] as number) - share * 255)).toBeLessThan(4);
        },
      ),
    );
  });

  it('finds the paper as the colour there is most of', () => {
    expect(paperColour(picture('pppp', 'pp##', 'rrpp'))).toBe('#f0e6d2');
    expect(paperColour(picture('  ', '  '))).toBeUndefined();
  });
});
