import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { DesignMotif, StoredMotif } from '../../contract/index.ts';
import { newDesign } from '../../core/document/index.ts';
import { cornerAt, decodePoints, type PenPoint } from '../../core/draw/index.ts';
import { drawnArtwork } from '../../core/drawn/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { step } from '../../core/lattice/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import { Editor } from './editor.ts';
import type { MotifMaker } from './finishDrawing.ts';

const kept = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
  removeItem: (key: string) => void kept.delete(key),
});

let editor: Editor;
let made: { readonly name: string; readonly recipe: Recipe }[];
let remade: { readonly id: string; readonly recipe: Recipe }[];
const maker: MotifMaker = {
  make: (name, recipe) => {
    made.push({ name, recipe });
    return Promise.resolve(motifOf(`m${made.length}`, name, recipe));
  },
  remake: (id, recipe) => {
    remade.push({ id, recipe });
    return Promise.resolve(undefined);
  },
};

function motifOf(id: string, name: string, recipe: Recipe): StoredMotif {
  const view = recipe.kind === 'drawn' ? drawnArtwork(recipe).view : { x: -60, y: -30, width: 120, height: 60 };
  return {
    id,
    name,
    collection: 'Drawn',
    width: view.width,
    artwork: 'a'.repeat(64),
    source: 'a'.repeat(64),
    thumbnail: 'a'.repeat(64),
    view,
    inks: ['#22304a'],
    tags: [],
    recipe,
  } as StoredMotif;
}
const line = (from: Point, to: Point): PenPoint[] =>
  Array.from({ length: 11 }, (_, n) => ({
    x: from.x + ((to.x - from.x) * n) / 10,
    y: from.y + ((to.y - from.y) * n) / 10,
    time: n,
    pressure: 1,
  }));
const draw = (from: Point, to: Point, deed: 'line' | 'rubber' = 'line'): void =>
  editor.drawing.add({ points: line(from, to), deed });
const strokes = () => editor.drawing.drawn.getState().strokes;
const opened = (): Editor =>
  new Editor(newDesign('d', 'Drawn on', { width: 120, height: 90, step: step('half-drop', 1, 2) }));

beforeEach(() => {
  kept.clear();
  [made, remade] = [[], []];
  editor = opened();
  editor.part.set('draw');
  editor.drawing.changeBrush({ width: 4, pressure: 'none', taperStart: 0, taperEnd: 0, ink: '#22304a' });
});

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

describe('shading', () => {
  const shade = (): void => {
    editor.drawing.tool.set('shade');
    const found = editor.drawing.shades.strokeAt({ x: 150, y: 65 });
    if (!found) throw new Error('there is nothing to shade');
    editor.drawing.shades.drag(found.number, { x: 10, y: 20 }, { x: 50, y: 20 });
  };
  const shading = () => strokes()[0]?.shading;

  it('is dragged on any instance of a stroke, and is one step', () => {
    draw({ x: 10, y: 20 }, { x: 50, y: 20 });
    shade();
    editor.drawing.shades.drag(0, { x: 10, y: 20 }, { x: 40, y: 20 });
    expect(shading()).toBeUndefined();
    expect(editor.drawing.shades.shading).toMatchObject({ kind: 'linear', from: { x: 10 }, to: { x: 40 } });
    editor.drawing.shades.keep();
    expect(shading()).toMatchObject({ to: { x: 40, y: 20 } });
    editor.undo();
    expect(shading()).toBeUndefined();
    editor.redo();
    expect(shading()).toMatchObject({ to: { x: 40, y: 20 } });
  });

  it('is changed where its handles are seen, moved by keys, and removed', () => {
    draw({ x: 10, y: 20 }, { x: 50, y: 20 });
    shade();
    editor.drawing.shades.keep();
    editor.drawing.shades.change({ kind: 'radial', ink: '#123456' });
    expect(shading()).toMatchObject({ kind: 'radial', ink: '#123456', opacity: 1 });
    editor.selectNext(1);
    expect(editor.drawing.shades.chosen.getState()).toEqual({ stroke: 0, end: 'from' });
    editor.nudge({ x: 0, y: 5 });
    expect(shading()).toMatchObject({ from: { x: 10, y: 25 }, to: { x: 50, y: 20 } });
    editor.remove();
    expect(shading()).toBeUndefined();
    editor.drawing.shades.change({ ink: '#abcdef' });
    expect(strokes()[0]).not.toHaveProperty('shading.ink');
  });

  it('becomes part of the motif, and is kept in the browser until then', async () => {
    draw({ x: 10, y: 20 }, { x: 50, y: 20 });
    shade();
    editor.drawing.shades.keep();
    expect(opened().drawing.drawn.getState().strokes[0]?.shading).toEqual(shading());
    await editor.drawing.finish(maker);
    if (made[0]?.recipe.kind !== 'drawn') throw new Error('it is no drawing');
    const { from, to } = made[0].recipe.strokes[0]?.shading ?? {};
    expect((to?.x ?? 0) - (from?.x ?? 0)).toBeCloseTo(40, 6);
    expect((to?.x ?? 0) + (from?.x ?? 0)).toBeCloseTo(0, 0);
  });
});
