import { describe, expect, it } from 'vitest';
import { NO_STEPS } from '../recipe/index.ts';
import { cleanScan } from './clean.ts';
import { inksIn } from './inksIn.ts';
import { blankPixels } from './pixelImage.ts';
import { traceDrawing } from './trace.ts';
import { picture, shown } from '../testing/scanFixtures.ts';

describe('all steps together', () => {
  it('leave the picture as it came alone, and trim to what is there', () => {
    const sheet = picture('......', '..##..', '..##..', '......');
    const before = [...sheet.data];
    const clean = cleanScan(sheet, 1, {
      ...NO_STEPS,
      paper: { reach: 'outside', colour: null, tolerance: 20, soft: 0 },
      trim: true,
    });
    expect(shown(clean)).toEqual(['##', '##']);
    expect([...sheet.data]).toEqual(before);
  });
});

describe('tracing', () => {
  const two = blankPixels(60, 40);
  for (let y = 5; y < 35; y += 1)
    for (let x = 5; x < 55; x += 1) two.data.set(x < 30 ? [180, 60, 40, 255] : [30, 40, 80, 255], (y * 60 + x) * 4);

  it('finds the inks, and no more than there are', () => {
    expect(inksIn(two, 8).sort()).toEqual(['#1e2850', '#b43c28']);
    expect(inksIn(two, 1)).toHaveLength(1);
    expect(inksIn(blankPixels(4, 4), 3)).toEqual([]);
  });

  it('draws each ink where its pixels are', () => {
    const artwork = traceDrawing(two, 4, { inks: 2, smoothness: 0, detail: 1 });
    expect(artwork?.nodes).toHaveLength(2);
    expect(artwork?.view).toEqual({ x: 0, y: 0, width: 60, height: 40 });
    const red = artwork?.nodes.find(
      (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink === '#b43c28',
    );
    const numbers = red?.kind === 'path' ? (red.path.match(/[\d.]+/g) ?? []).map(Number) : [];
    const [xs, ys] = [numbers.filter((_, i) => i % 2 === 0), numbers.filter((_, i) => i % 2 === 1)];
    expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)].map(Math.round)).toEqual([
      5, 30, 5, 35,
    ]);
  });

  it('never takes the mixture of two inks at their edge for a third', () => {
    // Blue and white mix to a grey that is nearer to the third ink than to either.
    const grid = blankPixels(60, 60);
    for (let y = 2; y < 58; y += 1)
      for (let x = 2; x < 58; x += 1)
        grid.data.set(
          x < 20
            ? [20, 30, 80, 255]
            : x === 20
              ? [130, 135, 160, 255]
              : x < 40
                ? [250, 250, 250, 255]
                : [150, 140, 150, 255],
          (y * 60 + x) * 4,
        );
    const grey = traceDrawing(grid, 4, { inks: 3, smoothness: 0, detail: 1 })?.nodes.find(
      (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink === '#968c96',
    );
    const xs =
      grey?.kind === 'path' ? (grey.path.match(/[\d.]+/g) ?? []).map(Number).filter((_, i) => i % 2 === 0) : [];
    expect(Math.min(...xs)).toBeGreaterThan(38);
  });

  it('says nothing of an empty picture', () => {
    expect(traceDrawing(blankPixels(5, 5), 4, { inks: 3, smoothness: 0.5, detail: 0.5 })).toBeUndefined();
  });

  it('leaves white open where there is no ink for it, and never gives it to another', () => {
    const disc = blankPixels(60, 60);
    for (let y = 5; y < 55; y += 1)
      for (let x = 5; x < 55; x += 1)
        disc.data.set(Math.hypot(x - 30, y - 30) < 12 ? [252, 252, 250, 255] : [30, 40, 80, 255], (y * 60 + x) * 4);
    const [only, ...rest] = traceDrawing(disc, 4, { inks: 1, smoothness: 0, detail: 1 })?.nodes ?? [];
    expect(rest).toEqual([]);
    // The outline and the hole.
    expect(only?.kind === 'path' && only.path.match(/M/g)).toHaveLength(2);
    expect(
      traceDrawing(disc, 4, { inks: 2, smoothness: 0, detail: 1 })?.nodes.map(
        (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink,
      ),
    ).toEqual(['#1e2850', '#fcfcfa']);
  });
});
