import { describe, expect, it, vi } from 'vitest';
import type { DesignMotif } from '../../contract/index.ts';
import { cornerAt, decodePoints } from '../../core/draw/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import type { MotifMaker } from './finishDrawing.ts';

import { draw, editor, kept, line, made, maker, opened, remade, strokes, beginDrawing } from './testing/drawingDesk.ts';

beginDrawing();

describe('drawing by hand', () => {
  it('is undone stroke by stroke, before anything else is, and is kept from one window to the next', () => {
    draw({ x: 10, y: 10 }, { x: 40, y: 10 });
    draw({ x: 10, y: 20 }, { x: 40, y: 20 });
    expect(strokes()).toHaveLength(2);
    expect(opened().drawing.drawn.getState().strokes).toEqual(strokes());
    editor.undo();
    expect(strokes()).toHaveLength(1);
    editor.redo();
    expect(strokes()).toHaveLength(2);
    editor.undo();
    editor.undo();
    editor.undo();
    expect(strokes()).toHaveLength(0);
    expect(editor.drawing.isEmpty).toBe(true);
    expect(opened().drawing.isEmpty).toBe(true);
    expect(editor.drawing.steps.getState()).toEqual({ past: 0, future: 2 });
    editor.redo();
    editor.drawing.discard();
    expect(editor.drawing.isEmpty).toBe(true);
    editor.undo();
    expect(strokes()).toHaveLength(1);
  });

  it('takes nothing for kept that another program or version wrote', () => {
    kept.set('hevrel.drawing.d', '{"strokes":[{"points":7}]}');
    kept.set('hevrel.brush', 'not even JSON');
    expect(opened().drawing.isEmpty).toBe(true);
    expect(opened().drawing.brush.getState().width).toBeGreaterThan(0);
  });

  it('says that the browser has no room for it, and goes on', () => {
    vi.stubGlobal('localStorage', {
      ...localStorage,
      setItem: () => {
        throw new Error('full');
      },
      getItem: () => null,
      removeItem: () => undefined,
    });
    draw({ x: 10, y: 10 }, { x: 40, y: 10 });
    expect(strokes()).toHaveLength(1);
    expect(editor.refusal.getState()).toContain('no room');
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    });
  });

  it('rubs out at each instance that the rubber meets', () => {
    draw({ x: 10, y: 30 }, { x: 50, y: 30 });
    // One column on everything is half a cell lower.
    draw({ x: 150, y: 60 }, { x: 150, y: 90 }, 'rubber');
    expect(strokes()).toHaveLength(2);
    const rubber = strokes()[1];
    expect(rubber?.deed).toBe('rubber');
    const [first] = decodePoints(rubber?.points ?? '');
    expect(first).toMatchObject({ x: 30, y: 15 });
    // Beside everything it takes nothing away, and is no step.
    draw({ x: 100, y: 5 }, { x: 110, y: 5 }, 'rubber');
    expect(strokes()).toHaveLength(2);
  });

  it('takes away whole strokes wherever they are seen', () => {
    draw({ x: 10, y: 30 }, { x: 50, y: 30 });
    draw({ x: 10, y: 60 }, { x: 50, y: 60 });
    expect(editor.drawing.removeAt({ x: 150, y: 75.5 }, 1)).toBe(true);
    expect(strokes()).toHaveLength(1);
    expect(decodePoints(strokes()[0]?.points ?? '')[0]?.y).toBe(60);
    expect(editor.drawing.removeAt({ x: 80, y: 5 }, 1)).toBe(false);
  });

  it('draws along by axis and turns, and fills below lines and above other fills', () => {
    editor.drawing.symmetry.set({ kind: 'mirror', at: { x: 60, y: 45 }, angle: 0 });
    draw({ x: 10, y: 30 }, { x: 50, y: 30 });
    expect(strokes()).toHaveLength(2);
    expect(decodePoints(strokes()[1]?.points ?? '')[0]?.x).toBeCloseTo(110, 2);
    const square = (x: number): Point[] => [
      { x, y: 0 },
      { x: x + 10, y: 0 },
      { x: x + 10, y: 10 },
    ];
    editor.drawing.fill([square(0)]);
    editor.drawing.fill([square(20)]);
    expect(strokes().map(({ deed }) => deed)).toEqual(['area', 'area', 'line', 'line']);
  });

  it('becomes one motif where it was drawn, or one for each colour and place', async () => {
    draw({ x: 100, y: 40 }, { x: 140, y: 40 });
    draw({ x: 100, y: 42 }, { x: 140, y: 42 });
    await editor.drawing.finish(maker);
    expect(made).toHaveLength(1);
    expect(editor.drawing.isEmpty).toBe(true);
    const [placement] = editor.design.placements;
    // Its middle, brought into the cell: one column back, half a cell up.
    expect(placement?.x).toBeCloseTo(0, 1);
    expect(placement?.y).toBeCloseTo(86, 0);
    expect(kept.has('hevrel.drawing.d')).toBe(false);

    editor.drawing.gathering.set('near');
    draw({ x: 10, y: 10 }, { x: 20, y: 10 });
    draw({ x: 60, y: 60 }, { x: 70, y: 60 });
    await editor.drawing.finish(maker);
    expect(made.map(({ name }) => name)).toEqual(['Drawing 1', 'Drawing 2', 'Drawing 3']);
    expect(editor.design.placements).toHaveLength(3);
  });

  it('joins a drawing of its colour that it lies near to, in any repeat of it, or is a motif of its own', async () => {
    draw({ x: 20, y: 40 }, { x: 60, y: 40 });
    await editor.drawing.finish(maker);
    editor.drawing.gathering.set('join');
    // Near its end, one column on and half a cell lower; two in one go, of which the second lies far away.
    draw({ x: 184, y: 85 }, { x: 200, y: 85 });
    draw({ x: 20, y: 70 }, { x: 30, y: 70 });
    await editor.drawing.finish(maker);
    expect(remade).toHaveLength(1);
    expect(remade[0]?.id).toBe('m1');
    const joined = remade[0]?.recipe;
    if (joined?.kind !== 'drawn') throw new Error('it is no drawing');
    expect(joined.strokes).toHaveLength(2);
    // In the motif's own mm: it begins where the first one ends.
    expect(decodePoints(joined.strokes[1]?.points ?? '')[0]?.x).toBeCloseTo(24, 1);
    expect(made.map(({ name }) => name)).toEqual(['Drawing 1', 'Drawing 2']);
    // In another colour it is not joined.
    editor.drawing.changeBrush({ ink: '#b5442f' });
    draw({ x: 62, y: 40 }, { x: 70, y: 40 });
    await editor.drawing.finish(maker);
    expect(remade).toHaveLength(1);
    expect(editor.design.placements).toHaveLength(3);
  });

  it('lies below the lines about it where it is a fill', async () => {
    draw({ x: 20, y: 40 }, { x: 60, y: 40 });
    await editor.drawing.finish(maker);
    const corners = [
      [20, 10],
      [30, 10],
      [30, 20],
    ].map(([x = 0, y = 0]) => ({ x, y }));
    editor.drawing.fill([corners]);
    await editor.drawing.finish(maker);
    expect(editor.design.placements.map(({ motif }) => motif)).toEqual(['m2', 'm1']);
  });

  it('goes on with what is drawn while it becomes a motif', async () => {
    draw({ x: 10, y: 20 }, { x: 50, y: 20 });
    const finished = editor.drawing.finish(maker);
    draw({ x: 10, y: 40 }, { x: 50, y: 40 });
    const [, later] = strokes();
    await finished;
    expect(made[0]?.recipe).toMatchObject({ strokes: [{}] });
    expect(strokes()).toEqual([later]);
  });

  it('is kept as it is where the server says no', async () => {
    draw({ x: 10, y: 40 }, { x: 40, y: 40 });
    const refusing: MotifMaker = { ...maker, make: () => Promise.reject(new Error('the disk is full')) };
    await expect(editor.drawing.finish(refusing)).rejects.toThrow('full');
    expect(strokes()).toHaveLength(1);
    expect(editor.drawing.making.getState()).toBe(false);
    await editor.drawing.finish(maker);
    expect(editor.design.placements).toHaveLength(1);
  });

  it('goes on with a motif where it lies, in its own mm, and changes it', async () => {
    draw({ x: 20, y: 40 }, { x: 60, y: 40 });
    await editor.drawing.finish(maker);
    const [placement] = editor.design.placements;
    const motif = editor.motif('m1') as DesignMotif;
    if (!placement) throw new Error('nothing was placed');
    editor.commit('Turned', { type: 'change', changes: { [placement.id]: { rotation: 90, scale: 2 } } });
    const turned = editor.placement(placement.id);
    expect(turned && editor.drawing.goOn(turned, motif)).toBe(true);
    expect(editor.drawing.hidden).toBe(placement.id);
    // 8 mm below the middle on the cloth is 4 mm to the right in the drawing, which lies on its side at twice its size.
    draw({ x: 40, y: 48 }, { x: 40, y: 60 });
    const [, added] = strokes();
    expect(decodePoints(added?.points ?? '')[0]).toMatchObject({ x: 4, y: 0 });
    expect(added?.width).toBeCloseTo(2, 6);
    await editor.drawing.finish(maker);
    expect(remade).toHaveLength(1);
    expect(remade[0]?.id).toBe('m1');
    expect(editor.design.placements).toHaveLength(1);
    expect(editor.drawing.hidden).toBeUndefined();
  });

  it('holds no more than a motif can, and keeps what the pen drew when the window is left', () => {
    for (let n = 0; n < 1003; n += 1) draw({ x: 10, y: 10 }, { x: 20, y: 10 });
    expect(strokes()).toHaveLength(1000);
    expect(editor.refusal.getState()).toContain('no more strokes');
    editor.drawing.discard();
    editor.drawing.pen.set({ points: line({ x: 1, y: 1 }, { x: 9, y: 9 }), predicted: [], deed: 'line' });
    editor.drawing.keepPen();
    expect(strokes()).toHaveLength(1);
    expect(opened().drawing.isEmpty).toBe(false);
  });
});

describe('the pen', () => {
  const set = (...places: readonly (readonly [number, number])[]): void =>
    editor.drawing.path.open.set({ knots: places.map(([x, y]) => cornerAt({ x, y })), closed: false });

  it('leaves a path where it is ended, with all that is drawn along with it', () => {
    editor.drawing.symmetry.set({ kind: 'mirror', at: { x: 50, y: 0 }, angle: 0 });
    set([10, 10], [30, 10], [30, 40]);
    expect(editor.drawing.path.end(true)).toBe(true);
    expect(editor.drawing.path.end()).toBe(false);
    const { strokes } = editor.drawing.drawn.getState();
    expect(strokes.map(({ deed }) => deed)).toEqual(['path', 'path']);
    expect(strokes[0]?.points).toMatch(/Z$/);
  });

  it('is taken back point by point, and then stroke by stroke', () => {
    set([10, 10], [30, 10]);
    editor.drawing.path.end();
    set([50, 10], [60, 10]);
    editor.undo();
    expect(editor.drawing.path.open.getState()?.knots).toHaveLength(1);
    editor.remove();
    expect(editor.drawing.path.open.getState()).toBeUndefined();
    editor.undo();
    expect(editor.drawing.isEmpty).toBe(true);
    set([1, 1]);
    expect(editor.drawing.path.drop()).toBe(true);
    expect(editor.drawing.path.drop()).toBe(false);
  });

  it('counts where the drawing is finished in the middle of it', async () => {
    set([10, 10], [30, 10]);
    await editor.drawing.finish(maker);
    expect(made[0]).toMatchObject({ recipe: { kind: 'drawn', strokes: [{ deed: 'path' }] } });
  });
});
