import { expect, it } from 'vitest';
import type { StoredMotif } from '../../contract/index.ts';
import { LEAF, leavesEditor } from './testing/leavesEditor.ts';
import type { BundleMaker } from './bundling.ts';

/** A maker that answers when it is told to, and a drawer that it fills. */
function slowMaker() {
  const drawer = new Set<string>();
  const waiting: (() => void)[] = [];
  let made = 0;
  const make = (name: string): StoredMotif => {
    made += 1;
    const id = `made-${made}`;
    drawer.add(id);
    return { ...LEAF, id, name };
  };
  const later = <T>(act: () => T): Promise<T> => new Promise((resolve) => waiting.push(() => resolve(act())));
  const maker: BundleMaker = {
    make: (name) => later(() => make(name)),
    copy: (motifs) => later(() => motifs.map(({ name }) => make(name))),
    drawerEffect: (id) => ({
      undo: () => Promise.resolve(drawer.delete(id)),
      redo: () => Promise.resolve(drawer.add(id)),
    }),
  };
  const answer = async (): Promise<void> => {
    waiting.shift()?.();
    await settled();
  };
  return {
    maker,
    drawer,
    answer,
    get asked() {
      return made + waiting.length;
    },
  };
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
const motifsOf = (editor: ReturnType<typeof leavesEditor>): string[] =>
  editor.design.placements.map(({ id, motif }) => (motif === LEAF.id ? id : motif));

it('a bundle is of what was selected when it was asked for, and what is selected by then stays selected', async () => {
  const [editor, server] = [leavesEditor(), slowMaker()];
  editor.select(['a', 'b']);
  const bundled = editor.bundling.bundle(server.maker);
  expect([...editor.bundling.underWay.getState()]).toEqual(['a', 'b']);
  // A second press means the same.
  await editor.bundling.bundle(server.maker);
  editor.select(['c']);
  await server.answer();
  await bundled;
  expect(server.asked).toBe(1);
  expect(motifsOf(editor)).toEqual(['made-1', 'c']);
  expect(editor.selection.getState().ids).toEqual(['c']);
  expect(editor.session.state.past).toHaveLength(1);
  expect(editor.bundling.underWay.getState().size).toBe(0);
});

it('a bundle that is undone leaves the drawer, and comes back to it when it is redone', async () => {
  const [editor, server] = [leavesEditor(), slowMaker()];
  editor.select(['a', 'b']);
  const bundled = editor.bundling.bundle(server.maker);
  await server.answer();
  await bundled;
  expect(editor.selectedPlacements.map(({ motif }) => motif)).toEqual(['made-1']);
  editor.undo();
  await settled();
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['a', 'b', 'c'], []]);
  editor.redo();
  await settled();
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['made-1', 'c'], ['made-1']]);
});

it('a bundle takes its motifs as they lie by then, and comes to nothing where one is gone or the design was left', async () => {
  const [editor, server] = [leavesEditor(), slowMaker()];
  editor.select(['a', 'b']);
  const moved = editor.bundling.bundle(server.maker);
  editor.nudge({ x: 5, y: 0 });
  await server.answer();
  expect([...server.drawer]).toEqual([]);
  await server.answer();
  await moved;
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['made-2', 'c'], ['made-2']]);
  expect(editor.design.placements[0]?.x).toBeCloseTo(15, 6);

  const all = (): string[] => editor.design.placements.map(({ id }) => id);
  editor.select(all());
  const gone = expect(editor.bundling.bundle(server.maker)).rejects.toThrow(/Nothing was changed/);
  editor.remove();
  await server.answer();
  await gone;
  editor.undo();
  editor.select(all());
  const left = expect(editor.bundling.bundle(server.maker)).rejects.toThrow(/Nothing was changed/);
  editor.open.set(false);
  await server.answer();
  await left;
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['made-2', 'c'], ['made-2']]);
});

it('one motif is no bundle', async () => {
  const [editor, server] = [leavesEditor(), slowMaker()];
  editor.select(['c']);
  await editor.bundling.bundle(server.maker);
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['a', 'b', 'c'], []]);
});

it('motifs are made separate where they were selected, however late, and undoing it takes the copies away', async () => {
  const [editor, server] = [leavesEditor(), slowMaker()];
  editor.select(['b']);
  const separated = editor.bundling.separate(server.maker);
  editor.select(['c']);
  await server.answer();
  expect((await separated).map(({ id }) => id)).toEqual(['made-1']);
  expect(motifsOf(editor)).toEqual(['a', 'made-1', 'c']);
  editor.undo();
  await settled();
  expect([motifsOf(editor), [...server.drawer]]).toEqual([['a', 'b', 'c'], []]);
});
