import { beforeEach, describe, expect, it, vi } from 'vitest';
import { newPlacement } from '../../core/document/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import type { Editor } from './editor.ts';
import type { MotifMaker } from './finishDrawing.ts';
import { LEAF, leavesEditor } from './testing/leavesEditor.ts';

const fill = { kind: 'ink', ink: '#22304a', opacity: 1 } as const;
const path = (text: string) => ({ kind: 'path', path: text, rule: 'nonzero', strokeFirst: false, fill }) as const;
/** A square, and in a group that is twice as large a triangle. */
const ARTWORK: Artwork = {
  version: 1,
  view: { x: 0, y: 0, width: 40, height: 40 },
  nodes: [
    path('M 0 0 L 20 0 L 20 20 L 0 20 Z'),
    {
      kind: 'group',
      matrix: [2, 0, 0, 2, 10, 10],
      opacity: 1,
      children: [path('M 0 0 L 10 0 L 10 10 Z')],
    },
  ],
};

const stored = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => stored.get(key) ?? null,
  setItem: (key: string, value: string) => void stored.set(key, value),
  removeItem: (key: string) => void stored.delete(key),
});

let editor: Editor;
let remade: { readonly id: string; readonly recipe: Recipe }[];
const maker: MotifMaker = {
  drawerEffect: () => ({ undo: () => Promise.resolve(), redo: () => Promise.resolve() }),
  make: () => Promise.reject(new Error('nothing is made here')),
  remake: (id, recipe) => {
    remade.push({ id, recipe });
    return Promise.resolve(undefined);
  },
};
const points = () => editor.points;
const open = (recipe: Recipe | null = null): boolean =>
  editor.points.open(newPlacement('a', LEAF, { x: 20, y: 10 }), { ...LEAF, recipe }, ARTWORK);

beforeEach(() => {
  stored.clear();
  editor = leavesEditor();
  editor.part.set('draw');
  remade = [];
});

describe('the points of a motif', () => {
  it('are all its lines, those in groups where they are seen', () => {
    expect(open()).toBe(true);
    const lines = editor.points.lines.getState();
    expect(lines).toHaveLength(2);
    expect(lines[1]?.knots.map(({ x, y }) => [x, y])).toEqual([
      [10, 10],
      [30, 10],
      [30, 30],
    ]);
    expect(editor.points.artwork).toBe(ARTWORK);
  });

  it('are moved as one step for each drag, undone before anything else, and given back by path', async () => {
    open();
    const { points } = editor;
    points.select([{ line: 1, knot: 1 }]);
    points.hold();
    points.dragSelected({ x: 1, y: 0 });
    points.dragSelected({ x: 6, y: 2 });
    points.release(true);
    expect(points.steps.getState()).toEqual({ past: 1, future: 0 });
    expect(points.middle).toEqual({ x: 36, y: 12 });
    editor.undo();
    expect(points.lines.getState()[1]?.knots[1]).toMatchObject({ x: 30, y: 10 });
    expect(points.artwork).toBe(ARTWORK);
    editor.redo();
    // Given up, a drag leaves nothing behind.
    points.select([{ line: 0, knot: 0 }]);
    points.hold();
    points.dragSelected({ x: -50, y: 0 });
    points.release(false);
    await points.finish(maker);
    // In the path's own units, which are half as large; the square did not change and is not sent.
    expect(remade).toEqual([
      {
        id: LEAF.id,
        recipe: {
          kind: 'points',
          original: LEAF.artwork,
          before: null,
          paths: [{ node: [1, 0], path: 'M 0 0 L 13 1 L 10 10 Z' }],
        },
      },
    ]);
    expect(points.opened.getState()).toBeUndefined();
  });

  it('go on from where they were moved to before, and back to how the motif was made', async () => {
    const before = { kind: 'merged', original: LEAF.artwork, within: 3 } as const;
    const recipe: Recipe = {
      kind: 'points',
      original: 'b'.repeat(64),
      before,
      paths: [{ node: [0], path: 'M -5 0 L 20 0 L 20 20 L 0 20 Z' }],
    };
    open(recipe);
    expect(editor.points.lines.getState()[0]?.knots[0]).toMatchObject({ x: -5, y: 0 });
    await editor.points.goBack(maker);
    expect(remade[0]?.recipe).toEqual(before);
  });

  it('outlast the window until they are finished or given up', () => {
    const motif = { ...LEAF, artwork: `${'a'.repeat(64)}.json` };
    const there = newPlacement('a', motif, { x: 20, y: 10 });
    editor.points.open(there, motif, ARTWORK);
    expect(editor.points.kept).toBeUndefined();
    editor.points.select([{ line: 0, knot: 2 }]);
    editor.points.move({ x: 4, y: 4 });
    // Another window of the same design.
    const again = leavesEditor();
    const { kept } = again.points;
    expect(kept).toMatchObject({ placement: 'a', motif: LEAF.id });
    again.points.open(there, { ...motif, recipe: kept?.recipe ?? null }, ARTWORK);
    expect(again.points.lines.getState()).toEqual(editor.points.lines.getState());
    again.points.close();
    expect(again.points.kept).toBeUndefined();
  });

  it('are joined only where they are ends, said in a sentence', () => {
    open();
    const { points } = editor;
    points.select([{ line: 0, knot: 1 }]);
    points.cut();
    expect(points.lines.getState()[0]?.closed).toBe(false);
    points.select([
      { line: 0, knot: 0 },
      { line: 0, knot: 4 },
    ]);
    points.join();
    expect(points.lines.getState()[0]?.closed).toBe(true);
    points.select([
      { line: 0, knot: 1 },
      { line: 1, knot: 1 },
    ]);
    points.join();
    expect(editor.refusal.getState()).toContain('Two ends');
  });

  it('may all be taken away, and undone', () => {
    open();
    const { points } = editor;
    points.selectAll();
    points.removeSelected();
    expect(points.lines.getState()).toEqual([]);
    expect(points.artwork).toBeUndefined();
    editor.undo();
    expect(points.artwork).toBe(ARTWORK);
  });

  it('are none of a picture', () => {
    const picture: Artwork = { ...ARTWORK, nodes: [] };
    expect(editor.points.open(newPlacement('a', LEAF, { x: 20, y: 10 }), LEAF, picture)).toBe(false);
    expect(editor.refusal.getState()).toContain('no points');
  });

  it('are gone through, moved and removed by keys', () => {
    open();
    editor.selectNext(1);
    editor.selectNext(1);
    expect([...points().selected.getState()]).toEqual(['0 1']);
    const before = points().lines.getState()[0]?.knots[1];
    editor.nudge({ x: 0, y: 4 });
    const after = points().lines.getState()[0]?.knots[1];
    // As far as it moves on the cloth, in the units of the motif.
    const { frame } = points().opened.getState() ?? { frame: [1, 0, 0, 1, 0, 0] as const };
    const scale = Math.sqrt(Math.abs(frame[0] * frame[3] - frame[1] * frame[2]));
    expect(Math.hypot((after?.x ?? 0) - (before?.x ?? 0), (after?.y ?? 0) - (before?.y ?? 0)) * scale).toBeCloseTo(
      4,
      9,
    );
    editor.remove();
    expect(points().lines.getState()[0]?.knots).toHaveLength(3);
    expect(editor.design.placements).toHaveLength(3);
  });
});
