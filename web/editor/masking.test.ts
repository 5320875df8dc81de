import { beforeEach, describe, expect, it, vi } from 'vitest';
import { areaLoop } from '../../core/draw/index.ts';
import { latticeTranslate } from '../../core/lattice/index.ts';
import { type GroupNode, pathBounds } from '../../core/motif/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import { LEAF as LEAF_ARTWORK } from '../../core/testing/arbitraries.ts';
import type { Editor } from './editor.ts';
import type { MotifMaker } from './finishDrawing.ts';
import { LEAF as PLAIN_LEAF, leavesEditor } from './testing/leavesEditor.ts';

const LEAF = { ...PLAIN_LEAF, artwork: `${'a'.repeat(64)}.json` };
/** The engine of paths is fetched first, which takes a while. */
const patient = { timeout: 60_000 };

const stored = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => stored.get(key) ?? null,
  setItem: (key: string, value: string) => void stored.set(key, value),
  removeItem: (key: string) => void stored.delete(key),
});

let editor: Editor;
let remade: { readonly id: string; readonly recipe: Recipe }[];
let made: { readonly name: string; readonly recipe: Recipe }[];
const maker: MotifMaker = {
  drawerEffect: () => ({ undo: () => Promise.resolve(), redo: () => Promise.resolve() }),
  make: (name, recipe) => {
    made.push({ name, recipe });
    return Promise.resolve({ ...LEAF, id: 'part', name, recipe, collection: '', source: '' });
  },
  remake: (id, recipe) => {
    remade.push({ id, recipe });
    return Promise.resolve(undefined);
  },
};
const open = (recipe: Recipe | null = null): void => {
  const placement = editor.placement('a');
  if (placement) editor.masking.open({ ...placement, rotation: 0 }, { ...LEAF, recipe }, LEAF_ARTWORK);
};
const box = (x: number, y: number, size = 4) => [
  areaLoop('box', { x: x - size / 2, y: y - size / 2 }, { x: x + size / 2, y: y + size / 2 }),
];
/** Where the middle of the placement is, mm of the plane, at the repeat that is `i` columns on. */
const middle = (i = 0) => {
  const by = latticeTranslate(editor.lattice, { i, j: 0 });
  return { x: 0 + by.x, y: 10 + by.y };
};
const shown = (): GroupNode | undefined => editor.masking.artwork.getState()?.nodes[0] as GroupNode | undefined;

beforeEach(() => {
  stored.clear();
  editor = leavesEditor();
  editor.part.set('draw');
  remade = [];
  made = [];
});

describe('a mask', () => {
  it('takes an area marked at any repeat to the same place of the motif', () => {
    open();
    expect(editor.masking.add(box(middle().x, middle().y))).toBe(true);
    expect(editor.masking.add(box(middle(1).x, middle(1).y))).toBe(true);
    const [here, there] = editor.masking.mask.getState().areas.map(({ path }) => pathBounds(path));
    for (const side of ['left', 'top', 'right', 'bottom'] as const)
      expect(there?.[side]).toBeCloseTo(here?.[side] ?? NaN, 6);
    expect(editor.masking.add(box(middle().x + 50, middle().y, 1))).toBe(false);
  });

  it('shows at once what it leaves, and says where that would be nothing', async () => {
    open();
    expect(editor.masking.artwork.getState()).toBe(LEAF_ARTWORK);
    editor.masking.add(box(middle().x, middle().y));
    await vi.waitFor(() => expect(shown()?.clip).toHaveLength(1), patient);
    editor.masking.soften(2);
    await vi.waitFor(() => expect(shown()?.softness).toBe(0.5), patient);
    editor.masking.add(box(middle().x, middle().y, 60));
    await vi.waitFor(() => expect(editor.refusal.getState()).toContain('Nothing of this motif would be left'), patient);
    editor.undo();
    await vi.waitFor(() => expect(shown()?.softness).toBe(0.5), patient);
  });

  it('is undone and redone area by area, and outlasts the window', () => {
    open();
    editor.masking.add(box(middle().x, middle().y));
    editor.masking.deed.set('show');
    editor.masking.add(box(middle().x, middle().y, 2));
    editor.undo();
    expect(editor.masking.mask.getState().areas.map(({ deed }) => deed)).toEqual(['hide']);
    editor.redo();
    expect(editor.masking.mask.getState().areas.map(({ deed }) => deed)).toEqual(['hide', 'show']);
    expect(editor.masking.kept?.recipe.areas).toHaveLength(2);
    editor.masking.close();
    expect(editor.masking.kept).toBeUndefined();
    expect(editor.placement('a')).toBeDefined();
  });

  it('is given to the motif, with what it was made by before', async () => {
    const before: Recipe = { kind: 'points', original: LEAF.artwork, paths: [], before: null };
    open(before);
    editor.masking.add(box(middle().x, middle().y));
    await editor.masking.finish(maker);
    expect(remade).toHaveLength(1);
    expect(remade[0]).toMatchObject({ id: LEAF.id, recipe: { kind: 'masked', before, original: LEAF.artwork } });
    expect(editor.masking.opened.getState()).toBeUndefined();

    // Opened again it goes on from there; without any area all is as it was before.
    const recipe = remade[0]?.recipe;
    if (recipe?.kind !== 'masked') throw new Error('it has no mask');
    open(recipe);
    expect(editor.masking.mask.getState().areas).toEqual(recipe.areas);
    editor.masking.clear();
    await editor.masking.finish(maker);
    expect(remade[1]?.recipe).toEqual(before);
  });

  it('gives a single placement a motif of its own, which is undone like any step', async () => {
    open();
    editor.masking.add(box(middle().x, middle().y));
    editor.masking.scope.set('placement');
    await editor.masking.finish(maker);
    expect(remade).toHaveLength(0);
    expect(made[0]?.name).toBe(`${LEAF.name} (part)`);
    expect(editor.placement('a')?.motif).toBe('part');
    expect(editor.placement('b')?.motif).toBe(LEAF.id);
    editor.undo();
    expect(editor.placement('a')?.motif).toBe(LEAF.id);
  });

  it('keeps what lies within the outline of another motif, at its nearest repeat', () => {
    open();
    expect(editor.masking.met.map(({ id }) => id)).toContain('b');
    const other = editor.placement('b');
    if (!other) throw new Error('b is not there');
    expect(editor.masking.clipTo(other, LEAF, areaBox())).toBe(true);
    const { areas } = editor.masking.mask.getState();
    expect(areas.map(({ deed }) => deed)).toEqual(['keep']);
  });

  it('is lost by no failure', async () => {
    open();
    editor.masking.add(box(middle().x, middle().y));
    const failing: MotifMaker = { ...maker, remake: () => Promise.reject(new Error('no')) };
    await expect(editor.masking.finish(failing)).rejects.toThrow('no');
    expect(editor.masking.mask.getState().areas).toHaveLength(1);
    expect(editor.masking.making.getState()).toBe(false);
  });
});

const areaBox = () => [areaLoop('ellipse', { x: 5, y: 5 }, { x: 35, y: 55 })];
