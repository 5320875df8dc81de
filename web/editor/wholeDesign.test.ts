import { expect, it } from 'vitest';
import type { StoredMotif } from '../../contract/index.ts';
import { beginDrawing, draw, editor, maker } from './testing/drawingDesk.ts';
import { isMaking, saveWhole, whenMade } from './wholeDesign.ts';

beginDrawing();

/** Saves what is there, and tells how many motifs lay on the cloth. */
const saver = { flush: () => Promise.resolve(editor.design.placements.length) };

it('has what is being made when it is asked for', async () => {
  draw({ x: 10, y: 10 }, { x: 40, y: 10 });
  const released: (() => void)[] = [];
  const finished = editor.drawing.finish({
    ...maker,
    make: async (name, recipe): Promise<StoredMotif> => {
      await new Promise<void>((release) => released.push(release));
      return maker.make(name, recipe);
    },
  });
  const saved = saveWhole(editor, saver);
  expect(editor.design.placements).toHaveLength(0);
  expect(isMaking(editor)).toBe(true);
  released.forEach((release) => release());
  expect(await saved).toBe(1);
  await finished;
  expect(isMaking(editor)).toBe(false);
});

it('does not wait where nothing is made, nor for ever for what fails', async () => {
  expect(await saveWhole(editor, saver)).toBe(0);
  draw({ x: 10, y: 10 }, { x: 40, y: 10 });
  const failed = editor.drawing.finish({ ...maker, make: () => Promise.reject(new Error('the server is away')) });
  const saved = saveWhole(editor, saver);
  await expect(failed).rejects.toThrow('the server is away');
  expect(await saved).toBe(0);
  expect(editor.drawing.isEmpty).toBe(false);
});

it('is acted on at once where nothing is being made, and once it is whole where something is', async () => {
  const seen: number[] = [];
  const look = (): void => void seen.push(editor.design.placements.length);
  void whenMade(editor, look);
  expect(seen).toEqual([0]);
  draw({ x: 10, y: 10 }, { x: 40, y: 10 });
  const finished = editor.drawing.finish(maker);
  const acted = whenMade(editor, look);
  expect(seen).toEqual([0]);
  await acted;
  expect(seen).toEqual([0, 1]);
  await finished;
});
