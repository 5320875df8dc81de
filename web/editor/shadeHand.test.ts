import { describe, expect, it } from 'vitest';

import { draw, editor, made, maker, opened, strokes, beginDrawing } from './testing/drawingDesk.ts';

beginDrawing();

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
