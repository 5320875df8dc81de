import type { DesignMotif } from '../../contract/index.ts';
import { beforeEach, describe, expect, it } from 'vitest';
import { apply, MOST_PLACEMENTS } from '../../core/document/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { Editor } from './editor.ts';
import { LEAF, leavesEditor } from './testing/leavesEditor.ts';

let editor: Editor;

const ids = (): string[] => editor.design.placements.map(({ id }) => id);

beforeEach(() => {
  editor = leavesEditor();
});

describe('the editor', () => {
  it('lays a motif directly above what is chosen and chooses it', () => {
    editor.select(['a']);
    editor.place(LEAF, { x: 130, y: 10 });
    const [, laid] = editor.design.placements;
    // Beyond the right edge: brought into the cell, half a cell higher or lower.
    expect(laid).toMatchObject({ motif: 'leaf', x: 30, y: 50 });
    expect(editor.selection.getState().ids).toEqual([laid?.id]);
    expect(editor.session.state.past.at(-1)?.label).toBe('Placed Leaf');
  });

  it('forgets what is chosen when it is undone away', () => {
    editor.place(LEAF, { x: 50, y: 50 });
    editor.undo();
    expect(editor.selection.getState().ids).toEqual([]);
    editor.redo();
    expect(ids()).toHaveLength(4);
  });

  it('goes through the stack both ways', () => {
    editor.selectNext(1);
    expect(editor.selection.getState().ids).toEqual(['a']);
    editor.selectNext(-1);
    expect(editor.selection.getState().ids).toEqual(['c']);
    editor.selectNext(1);
    expect(editor.selection.getState().ids).toEqual(['a']);
    expect(editor.announcement.getState()).toMatch(/^Leaf at 0 mm, 10 mm$/);
  });

  it('mirrors as it is seen: a turned motif turns the other way', () => {
    editor.select(['a', 'b']);
    editor.flip();
    expect(editor.design.placements).toMatchObject([
      { flipped: true, rotation: -30 },
      { flipped: true, rotation: -30 },
      { flipped: false, rotation: 30 },
    ]);
    editor.flip();
    expect(editor.design.placements[0]).toMatchObject({ flipped: false, rotation: 30 });
  });

  it('copies, cuts and pastes: aside where the original still lies, in place where it does not', () => {
    editor.select(['b']);
    editor.copy();
    editor.paste();
    expect(editor.selectedPlacements).toMatchObject([{ x: 28, y: 18 }]);
    editor.select(['c']);
    editor.cut();
    expect(ids()).not.toContain('c');
    editor.paste();
    expect(editor.selectedPlacements).toMatchObject([{ x: 40, y: 10 }]);
    expect(editor.session.state.past.map(({ label }) => label)).toEqual(['Pasted', 'Deleted a motif', 'Pasted']);
  });

  it('does nothing, and records nothing, when nothing is chosen', () => {
    for (const act of [
      () => editor.remove(),
      () => editor.duplicate(),
      () => editor.flip(),
      () => editor.rotate(5),
      () => editor.nudge({ x: 1, y: 0 }),
      () => editor.restack('front'),
      () => editor.copy(),
      () => editor.paste(),
    ])
      act();
    expect(editor.session.state.past).toEqual([]);
  });

  it('moves by shares of the cell, over the join of a drop', () => {
    editor.select(['a']);
    editor.nudgeByCell({ x: 1 / 2, y: 0 });
    expect(editor.design.placements[0]).toMatchObject({ x: 50, y: 10 });
    editor.nudgeByCell({ x: 1 / 2, y: 1 / 4 });
    // One cell to the right of a half-drop: stored half a cell higher.
    expect(editor.design.placements[0]).toMatchObject({ x: 0, y: 70 });
  });

  it('replaces a motif by another, as large, where and as it lies, in inks of its own', () => {
    const wide: DesignMotif = { ...LEAF, id: 'wide', name: 'Wide', width: 120, inks: ['#123456'] };
    editor.motifs.set([LEAF, wide]);
    editor.select(['a', 'b']);
    const before = editor.design.placements[0];
    editor.replaceSelected(wide);
    expect(editor.design.placements[0]).toMatchObject({ ...before, motif: 'wide', scale: 0.25 });
    expect(editor.design.placements[2]?.motif).toBe('leaf');
    expect(editor.design.inks.some(({ prints }) => prints.includes('#123456'))).toBe(true);
    editor.undo();
    expect(editor.design.placements[0]).toEqual(before);
  });

  it('goes back to any step, and forward again', () => {
    editor.select(['a']);
    for (let n = 0; n < 5; n += 1) editor.nudge({ x: 1, y: 0 });
    const x = (): number | undefined => editor.design.placements[0]?.x;
    editor.goToStep(-3);
    expect(x()).toBe(2);
    editor.goToStep(2);
    expect(x()).toBe(4);
    editor.goToStep(-4);
    expect([x(), editor.session.state.past.length, editor.session.state.future.length]).toEqual([0, 0, 5]);
  });

  it('pastes into another design with its inks in the colours they had, and says what is lost', () => {
    const wide: DesignMotif = { ...LEAF, id: 'wide', name: 'Wide', inks: ['#123456'] };
    const coloured = apply(editor.design, {
      type: 'add-inks',
      inks: [{ id: 'sea', name: 'Sea', prints: ['#123456'] }],
      colours: { sea: '#abcdef' },
    });
    const from = new Editor(apply(coloured, { type: 'change', changes: { a: { motif: 'wide' } } }));
    from.motifs.set([LEAF, wide]);
    from.select(['a', 'b']);
    from.copy();
    editor.clipboard = from.clipboard;
    editor.motifs.set([LEAF, wide]);
    editor.select(['a']);
    editor.paste({ x: 50, y: 40 });
    // Directly above what was chosen; the middle of the two at the point.
    expect(ids().slice(0, 1)).toEqual(['a']);
    expect(ids().slice(3)).toEqual(['b', 'c']);
    expect(editor.design.inks.find(({ prints }) => prints.includes('#123456'))).toBeDefined();
    const ink = editor.design.inks.find(({ prints }) => prints.includes('#123456'))?.id ?? '';
    expect(editor.design.colourways[0]?.colours[ink]).toBe('#abcdef');
    const [one, two] = editor.selectedInstances;
    expect(((one?.x ?? 0) + (two?.x ?? 0)) / 2).toBeCloseTo(50, 6);
    editor.motifs.set([LEAF]);
    editor.paste();
    expect(editor.refusal.getState()).toMatch(/^One motif of what was copied is not in the drawer any more/);
  });

  it('says so where a design would hold more than it can, and changes nothing', () => {
    const { placements } = editor.design;
    const many = Array.from({ length: MOST_PLACEMENTS - placements.length }, (_, n) => leafAt(`more-${n}`, {}));
    const full = new Editor({ ...editor.design, placements: [...placements, ...many] });
    full.motifs.set([LEAF]);
    full.select(['a']);
    full.copy();
    for (const attempt of [
      () => full.paste({ x: 50, y: 40 }),
      () => full.duplicate(),
      () => full.place(LEAF, { x: 5, y: 5 }),
    ]) {
      full.refusal.set(undefined);
      attempt();
      expect(full.refusal.getState()).toBe(
        'That cannot be done: a design has at most 20000 motifs on its cloth. Nothing was changed.',
      );
      expect(full.design.placements).toHaveLength(MOST_PLACEMENTS);
      expect(full.selection.getState().ids).toEqual(['a']);
    }
    // One less, and it can.
    full.remove();
    full.place(LEAF, { x: 5, y: 5 });
    expect(full.design.placements).toHaveLength(MOST_PLACEMENTS);
  });

  it('duplicates beside and in place, directly above, and chooses the copies', () => {
    editor.select(['a']);
    editor.duplicate();
    expect(editor.selectedPlacements).toMatchObject([{ x: 8, y: 18, rotation: 30 }]);
    editor.select(['a']);
    editor.duplicate(true);
    expect(editor.selectedPlacements).toMatchObject([{ x: 0, y: 10, rotation: 30 }]);
    expect(ids()[0]).toBe('a');
    expect(ids()[1]).toBe(editor.selectedPlacements[0]?.id);
  });

  it('keeps meaning the same instance, however far what is chosen goes', () => {
    editor.select(['c'], [{ id: 'c', index: { i: 0, j: 0 } }]);
    const seen = (): { x: number; y: number } => ({
      x: editor.selectedInstances[0]?.x ?? 0,
      y: editor.selectedInstances[0]?.y ?? 0,
    });
    const before = seen();
    for (let n = 1; n <= 12; n += 1) {
      editor.nudge({ x: 35, y: 20 });
      expect(seen().x).toBeCloseTo(before.x + 35 * n, 9);
      expect(seen().y).toBeCloseTo(before.y + 20 * n, 9);
    }
    editor.undo();
    expect(seen().x).toBeCloseTo(before.x + 35 * 11, 9);
  });

  it('turns and mirrors several as one, about their point', () => {
    editor.select(['a', 'b']);
    const widthBefore = Math.hypot(
      (editor.selectedInstances[0]?.x ?? 0) - (editor.selectedInstances[1]?.x ?? 0),
      (editor.selectedInstances[0]?.y ?? 0) - (editor.selectedInstances[1]?.y ?? 0),
    );
    editor.rotate(90);
    const [a, b] = editor.selectedInstances;
    expect([a?.rotation, b?.rotation]).toEqual([120, 120]);
    expect(a?.x).toBeCloseTo(b?.x ?? NaN, 9);
    expect(Math.abs((a?.y ?? 0) - (b?.y ?? 0))).toBeCloseTo(widthBefore, 9);
    editor.anchor.set({ u: 0, v: 0 });
    const corner = editor.pivot;
    editor.scaleBy(0.5);
    expect(editor.pivot?.x).toBeCloseTo(corner?.x ?? NaN, 9);
    expect(editor.pivot?.y).toBeCloseTo(corner?.y ?? NaN, 9);
    editor.scaleBy(1e-6);
    expect(editor.refusal.getState()).toMatch(/Nothing was changed/);
  });

  it('changes several as one step', () => {
    editor.selectAll();
    editor.nudge({ x: 1, y: 2 });
    expect(editor.session.state.past).toHaveLength(1);
    editor.undo();
    expect(editor.design.placements.map(({ x }) => x)).toEqual([0, 20, 40]);
  });
});

describe('the motifs that the editor knows', () => {
  it('are those of the design, of the drawer as far as it was looked through, and all that were known before', () => {
    const named = (id: string, name: string) => ({ ...LEAF, id, name });
    editor.learn('design', [named('a', 'of the design')]);
    editor.learn('drawer', [named('a', 'of the drawer'), named('b', 'seen')]);
    editor.learnPicked(named('c', 'picked'));
    editor.learnPicked(named('c', 'picked again'));
    editor.learn('drawer', [named('d', 'searched')]);
    expect(['a', 'b', 'c', 'd'].map((id) => editor.motif(id)?.name)).toEqual([
      'of the design',
      'seen',
      'picked',
      'searched',
    ]);
  });
});

describe('what is done to motifs', () => {
  /** A motif's width as somebody else keeps it, and a step that changes it. */
  function widthOf() {
    const motif = { width: 10, answers: [] as string[] };
    const to = (width: number) => async (): Promise<void> => {
      await Promise.resolve();
      if (motif.answers.shift() === 'refuse') throw new Error('It was changed elsewhere.');
      motif.width = width;
    };
    return { motif, step: { redo: to(20), undo: to(10) } };
  }
  const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

  it('stands in the history where it was asked for, and is undone and redone in its turn', async () => {
    const editor = leavesEditor();
    const { motif, step } = widthOf();
    const doing = editor.commitSideEffect('Changed “Leaf”', step);
    editor.select(['a']);
    editor.nudge({ x: 1, y: 0 });
    await doing;
    expect(motif.width).toBe(20);
    expect(editor.session.state.past.map(({ label }) => label)[0]).toBe('Changed “Leaf”');
    editor.undo();
    expect([editor.design.placements[0]?.x, motif.width]).toEqual([0, 20]);
    editor.undo();
    editor.redo();
    editor.undo();
    await settled();
    expect(motif.width).toBe(10);
    // Nothing of it is sent as an edit of the design.
    expect(editor.session.state.pending).toHaveLength(2);
  });

  it('is no step where it failed; where undoing it fails that is said, and it stays', async () => {
    const editor = leavesEditor();
    const { motif, step } = widthOf();
    motif.answers.push('refuse');
    await expect(editor.commitSideEffect('Changed “Leaf”', step)).rejects.toThrow(/elsewhere/);
    expect(editor.session.state.past).toEqual([]);
    await editor.commitSideEffect('Changed “Leaf”', step);
    motif.answers.push('refuse');
    editor.undo();
    await settled();
    expect(editor.refusal.getState()).toBe('It was changed elsewhere.');
    expect([motif.width, editor.session.state.past, editor.session.state.future]).toEqual([20, [], []]);
  });

  it('brings its inks along as the same step', async () => {
    const editor = leavesEditor();
    const { step } = widthOf();
    await editor.commitSideEffect('Changed “Leaf”', step);
    editor.learn('design', [{ ...LEAF, inks: [...LEAF.inks, '#00aa33'] }]);
    const before = editor.design.inks.length;
    editor.adoptInks();
    expect(editor.design.inks.length).toBeGreaterThan(before);
    expect(editor.session.state.past).toHaveLength(1);
    editor.undo();
    expect(editor.design.inks).toHaveLength(before);
  });
});
