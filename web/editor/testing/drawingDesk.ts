import { beforeEach, vi } from 'vitest';
import type { StoredMotif } from '../../../contract/index.ts';
import { newDesign } from '../../../core/document/index.ts';
import type { PenPoint } from '../../../core/draw/index.ts';
import { drawnArtwork } from '../../../core/drawn/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { step } from '../../../core/lattice/index.ts';
import type { Recipe } from '../../../core/recipe/index.ts';
import { Editor } from '../editor.ts';
import type { MotifMaker } from '../finishDrawing.ts';

/** What the browser keeps. */
export const kept = new Map<string, string>();

export let editor: Editor;
export let made: { readonly name: string; readonly recipe: Recipe }[];
export let remade: { readonly id: string; readonly recipe: Recipe }[];
export const maker: MotifMaker = {
  drawerEffect: () => ({ undo: () => Promise.resolve(), redo: () => Promise.resolve() }),
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
export const line = (from: Point, to: Point): PenPoint[] =>
  Array.from({ length: 11 }, (_, n) => ({
    x: from.x + ((to.x - from.x) * n) / 10,
    y: from.y + ((to.y - from.y) * n) / 10,
    time: n,
    pressure: 1,
  }));
export const draw = (from: Point, to: Point, deed: 'line' | 'rubber' = 'line'): void =>
  editor.drawing.add({ points: line(from, to), deed });
export const strokes = () => editor.drawing.drawn.getState().strokes;
export const opened = (): Editor =>
  new Editor(newDesign('d', 'Drawn on', { width: 120, height: 90, step: step('half-drop', 1, 2) }));

/** A new editor for each test, with a plain brush, in a browser that keeps what it is given. */
export function beginDrawing(): void {
  beforeEach(() =>
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    }),
  );
  beforeEach(() => {
    kept.clear();
    [made, remade] = [[], []];
    editor = opened();
    editor.part.set('draw');
    editor.drawing.changeBrush({ width: 4, pressure: 'none', taperStart: 0, taperEnd: 0, ink: '#22304a' });
  });
}
