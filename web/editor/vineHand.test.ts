import { describe, expect, it } from 'vitest';

import { editor, line, made, maker, beginDrawing } from './testing/drawingDesk.ts';

beginDrawing();

describe('a vine drawn by hand', () => {
  const way = line({ x: 10, y: 20 }, { x: 128, y: 63 });

  it('closes on itself, is bent as one step, and is laid where it was drawn', async () => {
    expect(editor.drawing.vines.draw(way.slice(0, 3), true)).toBe(false);
    expect(editor.drawing.vines.draw(way, false)).toBe(true);
    expect(editor.drawing.isEmpty).toBe(true);
    editor.drawing.vines.draw(way, true);
    const { vine } = editor.drawing.vines;
    expect(vine?.period).toEqual({ x: 120, y: 45 });
    if (!vine) throw new Error('there is no vine');
    editor.drawing.setVine({ ...vine, knots: vine.knots.map((knot) => ({ ...knot, y: knot.y + 5 })) });
    editor.undo();
    expect(editor.drawing.vines.vine).toEqual(vine);
    await editor.drawing.finish(maker);
    expect(made[0]).toMatchObject({ name: 'Vine 1', recipe: { kind: 'vine', index: { i: 1, j: 0 } } });
    const [placement] = editor.design.placements;
    // Midway between where it begins and where it arrives.
    expect(placement?.x).toBeCloseTo(70, 6);
    expect(placement?.y).toBeCloseTo(42.5, 6);
  });

  it('is told apart where the repeat has changed', () => {
    editor.drawing.vines.draw(way, true);
    expect(editor.drawing.vines.missedPeriod).toBeUndefined();
    editor.commit('Resized', { type: 'repeat', repeat: { ...editor.design.repeat, width: 150 } });
    expect(editor.drawing.vines.missedPeriod?.x).toBe(150);
  });
});

describe('a straight vine', () => {
  it('goes from the middle of the cell to the next column, on the lattice', () => {
    editor.drawing.vines.beginStraight();
    expect(editor.drawing.vines.vine).toMatchObject({ index: { i: 1, j: 0 }, period: { x: 120, y: 45 } });
    expect(editor.drawing.vines.vine?.knots[0]).toMatchObject({ x: 0, y: 45 });
  });
});

describe('the keys on a vine', () => {
  it('go from point to point, move the one that is selected, and remove it', () => {
    editor.drawing.tool.set('vine');
    editor.drawing.vines.draw(line({ x: 10, y: 20 }, { x: 128, y: 63 }), true);
    const { vine } = editor.drawing.vines;
    if (!vine) throw new Error('there is no vine');
    editor.drawing.setVine({ ...vine, knots: [...vine.knots, { x: 60, y: 80, width: 3 }] });
    const before = editor.drawing.vines.vine?.knots ?? [];
    editor.selectNext(-1);
    expect(editor.drawing.vines.knot.getState()).toBe(before.length - 1);
    editor.nudge({ x: 0, y: 10 });
    expect(editor.drawing.vines.vine?.knots.at(-1)).toMatchObject({ x: 60, y: 90 });
    editor.remove();
    expect(editor.drawing.vines.vine?.knots).toHaveLength(before.length - 1);
    editor.undo();
    editor.undo();
    expect(editor.drawing.vines.vine?.knots).toEqual(before);
  });
});

describe('the crossings of a vine', () => {
  /** A vine that lies across the cell, and one in the hand that goes down. */
  const cross = async (): Promise<void> => {
    editor.drawing.vines.draw(line({ x: -1, y: 40 }, { x: 118, y: 84 }), true);
    await editor.drawing.finish(maker);
    editor.drawing.tool.set('vine');
    editor.drawing.vines.draw(line({ x: 50, y: -2 }, { x: 51, y: 87 }), true);
  };

  it('are swapped, follow as it is bent, and go over again', async () => {
    await cross();
    const [crossing, ...others] = editor.drawing.vines.crossings;
    if (!crossing) throw new Error('nothing crosses');
    expect(others).toEqual([]);
    expect(crossing.name).toBe('Vine 1');
    editor.drawing.vines.swap(crossing);
    const [pass] = editor.drawing.vines.vine?.passes ?? [];
    expect(pass).toEqual({ at: crossing.at, free: crossing.free });
    expect(editor.drawing.vines.isUnder(crossing)).toBe(true);
    const { vine } = editor.drawing.vines;
    if (!vine) throw new Error('there is no vine');
    // A little to the right: the crossing goes along.
    editor.drawing.setVine({ ...vine, knots: vine.knots.map((knot) => ({ ...knot, x: knot.x + 5 })) });
    const [moved] = editor.drawing.vines.crossings;
    expect(moved?.place.x).toBeCloseTo(crossing.place.x + 5, 0);
    expect(editor.drawing.vines.vine?.passes).toEqual([{ at: moved?.at, free: moved?.free }]);
    if (moved) editor.drawing.vines.swap(moved);
    expect(editor.drawing.vines.vine?.passes).toEqual([]);
    editor.undo();
    expect(editor.drawing.vines.vine?.passes).toHaveLength(1);
  });

  it('are none where the other is gone, and what was left free is covered again', async () => {
    await cross();
    const [crossing] = editor.drawing.vines.crossings;
    if (crossing) editor.drawing.vines.swap(crossing);
    editor.commit('Delete', { type: 'remove', ids: editor.design.placements.map(({ id }) => id) });
    expect(editor.drawing.vines.crossings).toEqual([]);
    const { vine } = editor.drawing.vines;
    if (vine) editor.drawing.setVine({ ...vine, opacity: 0.5 });
    expect(editor.drawing.vines.vine?.passes).toEqual([]);
  });

  it('come from its mirror image, which is laid over it and follows it', async () => {
    editor.drawing.vines.draw(line({ x: 50, y: -2 }, { x: 51, y: 87 }), true);
    const { vine } = editor.drawing.vines;
    if (!vine) throw new Error('there is no vine');
    editor.drawing.setVine({ ...vine, knots: [...vine.knots, { x: 70, y: 60, width: 3 }] });
    editor.drawing.vines.layAgain('mirrored');
    expect(editor.design.placements).toEqual([]);
    await editor.drawing.finish(maker);
    const [placement] = editor.design.placements;
    const motif = placement && editor.motif(placement.motif);
    if (!placement || !motif) throw new Error('it is not laid');
    editor.drawing.goOn(placement, motif);
    editor.drawing.vines.layAgain('mirrored');
    const [own, image] = editor.design.placements;
    expect(image).toMatchObject({ motif: own?.motif, x: own?.x, y: own?.y, flipped: true });
    expect(editor.drawing.vines.crossings.length).toBeGreaterThan(0);
    editor.drawing.vines.layAgain('dropped');
    expect(editor.design.placements).toHaveLength(3);
  });
});
