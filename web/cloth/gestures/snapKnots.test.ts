import { describe, expect, it } from 'vitest';
import { newPlacement } from '../../../core/document/index.ts';
import type { Artwork } from '../../../core/motif/index.ts';
import { LEAF, leavesEditor } from '../../editor/testing/leavesEditor.ts';
import { viewportAround } from '../viewport.ts';
import { knotSnap } from './snapKnots.ts';

const SQUARE: Artwork = {
  version: 1,
  view: { x: 0, y: 0, width: 20, height: 20 },
  nodes: [
    {
      kind: 'path',
      path: 'M 0 0 L 20 0 L 20 20 L 0 20 Z',
      rule: 'nonzero',
      strokeFirst: false,
      fill: { kind: 'ink', ink: '#22304a', opacity: 1 },
    },
  ],
};

describe('snapping of points', () => {
  it('is to points that are not dragged, those of other repeats too, each axis by itself', () => {
    const editor = leavesEditor();
    const motif = { ...LEAF, width: 20, view: SQUARE.view };
    // 20 × 20 mm about (30, 30), in a half-drop of 100 × 80 mm.
    editor.points.open(newPlacement('a', motif, { x: 30, y: 30 }), motif, SQUARE);
    editor.points.select([{ line: 0, knot: 0 }]);
    const frame = { width: 1000, height: 800, density: 1 };
    const viewport = viewportAround(frame, editor.design.repeat, { left: 0, top: 0, right: 200, bottom: 160 });
    const snap = knotSnap(editor, viewport);
    // Level with the upper right corner, which stays.
    const own = snap({ x: 27, y: 20.6 });
    expect(own.by.x).toBe(0);
    expect(own.by.y).toBeCloseTo(-0.6, 6);
    expect(own.lines).toMatchObject([{ axis: 'y' }]);
    expect(own.lines[0]?.at).toBeCloseTo(20, 6);
    // The right column's, one cell on and half a cell lower: its right corners are at x = 140.
    expect(snap({ x: 139.3, y: 99 }).by.x).toBeCloseTo(0.7, 6);
    // What is dragged itself catches nothing: its own x is only that of the lower left corner, too.
    expect(snap({ x: 60, y: 47 })).toEqual({ by: { x: 0, y: 0 }, lines: [] });
  });

  it('is to nothing where no points are open', () => {
    const editor = leavesEditor();
    const frame = { width: 1000, height: 800, density: 1 };
    const viewport = viewportAround(frame, editor.design.repeat, { left: 0, top: 0, right: 200, bottom: 160 });
    expect(knotSnap(editor, viewport)({ x: 1, y: 1 })).toEqual({ by: { x: 0, y: 0 }, lines: [] });
  });
});
