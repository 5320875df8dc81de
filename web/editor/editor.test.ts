import type { DesignMotif } from '../../contract/index.ts';
import { beforeEach, describe, expect, it } from 'vitest';
import { apply, type Layer, newDesign } from '../../core/document/index.ts';
import { step } from '../../core/lattice/index.ts';
import { LEAF_RECORD, leafAt } from '../../core/testing/arbitraries.ts';
import { Editor } from './editor.ts';
import { between, stackRows } from '../screens/design/layerRows.ts';
import { SHORTCUTS, type ShortcutContext } from '../screens/design/shortcuts.ts';

const LEAF: DesignMotif = {
  ...LEAF_RECORD,
  thumbnail: 'leaf.png',
  tags: [],
  deleted: false,
};

let bench: Editor;
const ids = (): string[] => bench.design.placements.map(({ id }) => id);

beforeEach(() => {
  const blank = newDesign('d', 'Leaves', { width: 100, height: 80, step: step('half-drop', 1, 2) });
  bench = new Editor(
    apply(blank, {
      type: 'insert',
      placements: ['a', 'b', 'c'].map((id, index) => ({
        index,
        placement: leafAt(id, { x: 20 * index, y: 10, rotation: 30 }),
      })),
    }),
  );
  bench.motifs.set([LEAF]);
});

describe('the bench', () => {
  it('lays a motif directly above what is chosen and chooses it', () => {
    bench.select(['a']);
    bench.place(LEAF, { x: 130, y: 10 });
    const [, laid] = bench.design.placements;
    // Beyond the right edge: brought into the cell, half a cell higher or lower.
    expect(laid).toMatchObject({ motif: 'leaf', x: 30, y: 50 });
    expect(bench.selection.getState().ids).toEqual([laid?.id]);
    expect(bench.session.state.past.at(-1)?.label).toBe('Laid Leaf');
  });

  it('forgets what is chosen when it is undone away', () => {
    bench.place(LEAF, { x: 50, y: 50 });
    bench.undo();
    expect(bench.selection.getState().ids).toEqual([]);
    bench.redo();
    expect(ids()).toHaveLength(4);
  });

  it('goes through the stack both ways', () => {
    bench.selectNext(1);
    expect(bench.selection.getState().ids).toEqual(['a']);
    bench.selectNext(-1);
    expect(bench.selection.getState().ids).toEqual(['c']);
    bench.selectNext(1);
    expect(bench.selection.getState().ids).toEqual(['a']);
    expect(bench.announcement.getState()).toMatch(/^Leaf at 0\.0, 10\.0 mm$/);
  });

  it('mirrors as it is seen: a turned motif turns the other way', () => {
    bench.select(['a', 'b']);
    bench.flip();
    expect(bench.design.placements).toMatchObject([
      { flipped: true, rotation: -30 },
      { flipped: true, rotation: -30 },
      { flipped: false, rotation: 30 },
    ]);
    bench.flip();
    expect(bench.design.placements[0]).toMatchObject({ flipped: false, rotation: 30 });
  });

  it('copies, cuts and pastes: aside where the original still lies, in place where it does not', () => {
    bench.select(['b']);
    bench.copy();
    bench.paste();
    expect(bench.selectedPlacements).toMatchObject([{ x: 28, y: 18 }]);
    bench.select(['c']);
    bench.cut();
    expect(ids()).not.toContain('c');
    bench.paste();
    expect(bench.selectedPlacements).toMatchObject([{ x: 40, y: 10 }]);
    expect(bench.session.state.past.map(({ label }) => label)).toEqual(['Pasted', 'Deleted a motif', 'Pasted']);
  });

  it('does nothing, and records nothing, when nothing is chosen', () => {
    for (const act of [
      () => bench.remove(),
      () => bench.duplicate(),
      () => bench.flip(),
      () => bench.rotate(5),
      () => bench.nudge({ x: 1, y: 0 }),
      () => bench.restack('front'),
      () => bench.copy(),
      () => bench.paste(),
    ])
      act();
    expect(bench.session.state.past).toEqual([]);
  });

  it('moves by shares of the cell, over the join of a drop', () => {
    bench.select(['a']);
    bench.nudgeByCell({ x: 1 / 2, y: 0 });
    expect(bench.design.placements[0]).toMatchObject({ x: 50, y: 10 });
    bench.nudgeByCell({ x: 1 / 2, y: 1 / 4 });
    // One cell to the right of a half-drop: stored half a cell higher.
    expect(bench.design.placements[0]).toMatchObject({ x: 0, y: 70 });
  });

  it('replaces a motif by another, as large, where and as it lies, in inks of its own', () => {
    const wide: DesignMotif = { ...LEAF, id: 'wide', name: 'Wide', width: 120, inks: ['#123456'] };
    bench.motifs.set([LEAF, wide]);
    bench.select(['a', 'b']);
    const before = bench.design.placements[0];
    bench.replaceSelected(wide);
    expect(bench.design.placements[0]).toMatchObject({ ...before, motif: 'wide', scale: 0.25 });
    expect(bench.design.placements[2]?.motif).toBe('leaf');
    expect(bench.design.inks.some(({ prints }) => prints.includes('#123456'))).toBe(true);
    bench.undo();
    expect(bench.design.placements[0]).toEqual(before);
  });

  it('goes back to any step, and forward again', () => {
    bench.select(['a']);
    for (let n = 0; n < 5; n += 1) bench.nudge({ x: 1, y: 0 });
    const x = (): number | undefined => bench.design.placements[0]?.x;
    bench.goToStep(-3);
    expect(x()).toBe(2);
    bench.goToStep(2);
    expect(x()).toBe(4);
    bench.goToStep(-4);
    expect([x(), bench.session.state.past.length, bench.session.state.future.length]).toEqual([0, 0, 5]);
  });

  it('pastes into another design with its inks in the colours they had, and says what is lost', () => {
    const wide: DesignMotif = { ...LEAF, id: 'wide', name: 'Wide', inks: ['#123456'] };
    const coloured = apply(bench.design, {
      type: 'add-inks',
      inks: [{ id: 'sea', name: 'Sea', prints: ['#123456'] }],
      colours: { sea: '#abcdef' },
    });
    const from = new Editor(apply(coloured, { type: 'change', changes: { a: { motif: 'wide' } } }));
    from.motifs.set([LEAF, wide]);
    from.select(['a', 'b']);
    from.copy();
    bench.clipboard = from.clipboard;
    bench.motifs.set([LEAF, wide]);
    bench.select(['a']);
    bench.paste({ x: 50, y: 40 });
    // Directly above what was chosen; the middle of the two at the point.
    expect(ids().slice(0, 1)).toEqual(['a']);
    expect(ids().slice(3)).toEqual(['b', 'c']);
    expect(bench.design.inks.find(({ prints }) => prints.includes('#123456'))).toBeDefined();
    const ink = bench.design.inks.find(({ prints }) => prints.includes('#123456'))?.id ?? '';
    expect(bench.design.colourways[0]?.colours[ink]).toBe('#abcdef');
    const [one, two] = bench.selectedInstances;
    expect(((one?.x ?? 0) + (two?.x ?? 0)) / 2).toBeCloseTo(50, 6);
    bench.motifs.set([LEAF]);
    bench.paste();
    expect(bench.refusal.getState()).toMatch(/^One motif of what was copied is not in the drawer any more/);
  });

  it('duplicates beside and in place, directly above, and chooses the copies', () => {
    bench.select(['a']);
    bench.duplicate();
    expect(bench.selectedPlacements).toMatchObject([{ x: 8, y: 18, rotation: 30 }]);
    bench.select(['a']);
    bench.duplicate(true);
    expect(bench.selectedPlacements).toMatchObject([{ x: 0, y: 10, rotation: 30 }]);
    expect(ids()[0]).toBe('a');
    expect(ids()[1]).toBe(bench.selectedPlacements[0]?.id);
  });

  it('keeps meaning the same instance, however far what is chosen goes', () => {
    bench.select(['c'], [{ id: 'c', index: { i: 0, j: 0 } }]);
    const seen = (): { x: number; y: number } => ({
      x: bench.selectedInstances[0]?.x ?? 0,
      y: bench.selectedInstances[0]?.y ?? 0,
    });
    const before = seen();
    for (let n = 1; n <= 12; n += 1) {
      bench.nudge({ x: 35, y: 20 });
      expect(seen().x).toBeCloseTo(before.x + 35 * n, 9);
      expect(seen().y).toBeCloseTo(before.y + 20 * n, 9);
    }
    bench.undo();
    expect(seen().x).toBeCloseTo(before.x + 35 * 11, 9);
  });

  it('turns and mirrors several as one, about their point', () => {
    bench.select(['a', 'b']);
    const widthBefore = Math.hypot(
      (bench.selectedInstances[0]?.x ?? 0) - (bench.selectedInstances[1]?.x ?? 0),
      (bench.selectedInstances[0]?.y ?? 0) - (bench.selectedInstances[1]?.y ?? 0),
    );
    bench.rotate(90);
    const [a, b] = bench.selectedInstances;
    expect([a?.rotation, b?.rotation]).toEqual([120, 120]);
    expect(a?.x).toBeCloseTo(b?.x ?? NaN, 9);
    expect(Math.abs((a?.y ?? 0) - (b?.y ?? 0))).toBeCloseTo(widthBefore, 9);
    bench.anchor.set({ u: 0, v: 0 });
    const corner = bench.pivot;
    bench.scaleBy(0.5);
    expect(bench.pivot?.x).toBeCloseTo(corner?.x ?? NaN, 9);
    expect(bench.pivot?.y).toBeCloseTo(corner?.y ?? NaN, 9);
    bench.scaleBy(1e-6);
    expect(bench.refusal.getState()).toMatch(/Nothing was changed/);
  });

  it('changes several as one step', () => {
    bench.selectAll();
    bench.nudge({ x: 1, y: 2 });
    expect(bench.session.state.past).toHaveLength(1);
    bench.undo();
    expect(bench.design.placements.map(({ x }) => x)).toEqual([0, 20, 40]);
  });
});

describe('layers on the bench', () => {
  const names = (): string => bench.design.layers.map(({ name }) => name).join(' ');

  it('take what is laid, follow what is chosen, and are merged and deleted with a way back', () => {
    bench.addLayer();
    expect(bench.layer?.name).toBe('Layer 2');
    bench.place(LEAF, { x: 50, y: 50 });
    expect(bench.selectedPlacements[0]?.layer).toBe(bench.design.layers[1]?.id);
    bench.select(['a']);
    expect(bench.layer?.name).toBe('Motifs');
    const upper = bench.design.layers[1] as Layer;
    bench.moveLayer(upper, 0);
    expect(names()).toBe('Layer 2 Motifs');
    expect(bench.design.placements[3]?.id).toBe('c');
    bench.moveLayer(upper, 1);
    bench.mergeDown(upper);
    expect([names(), ids().length]).toEqual(['Motifs', 4]);
    bench.undo();
    expect(names()).toBe('Motifs Layer 2');
    bench.removeLayer(upper);
    expect([names(), ids()]).toEqual(['Motifs', ['a', 'b', 'c']]);
    bench.removeLayer(bench.design.layers[0] as Layer);
    expect(names()).toBe('Motifs');
    bench.undo();
    expect(ids()).toHaveLength(4);
  });

  it('that are locked or hidden keep their things from being chosen by anything', () => {
    bench.select(['a', 'b']);
    bench.addLayer();
    const upper = bench.design.layers[1] as Layer;
    bench.select(['c']);
    bench.intoLayer(upper);
    bench.select(['a', 'c']);
    bench.changeLayer('Locked', upper.id, { locked: true });
    expect(bench.selection.getState().ids).toEqual(['a']);
    bench.selectAll();
    expect(bench.selection.getState().ids).toEqual(['a', 'b']);
    bench.select(['c']);
    expect(bench.selection.getState().ids).toEqual([]);
    for (const by of [1, 1, 1] as const) bench.selectNext(by);
    expect(bench.selection.getState().ids).toEqual(['a']);
    bench.changeLayer('Hid', 'main', { shown: false });
    expect(bench.selection.getState().ids).toEqual([]);
    bench.place(LEAF, { x: 1, y: 1 });
    expect(bench.refusal.getState()).toMatch(/^Every layer is hidden or locked/);
    expect(ids()).toHaveLength(3);
  });

  it('are listed topmost first, folded, sought, and chosen from one line to another', () => {
    bench.addLayer();
    bench.select(['b']);
    bench.intoLayer(bench.design.layers[1] as Layer);
    const rows = stackRows(bench.design, (motif) => (motif === 'leaf' ? 'Leaf' : ''), new Set(), '');
    expect(rows.map(({ key }) => key)).toEqual([
      `layer ${bench.design.layers[1]?.id ?? ''}`,
      'b',
      'layer main',
      'c',
      'a',
    ]);
    expect(between(rows, 'a', 'b')).toEqual(['b', 'c', 'a']);
    expect(stackRows(bench.design, () => 'Leaf', new Set(['main']), '').map(({ key }) => key)).not.toContain('a');
    expect(stackRows(bench.design, () => 'Leaf', new Set(['main']), 'eaf')).toHaveLength(5);
    expect(stackRows(bench.design, () => 'Leaf', new Set(), 'whelk')).toHaveLength(2);
  });

  it('take things laid by others in the list, over and under', () => {
    bench.moveBeside(['a'], 'c', 'over');
    expect(ids()).toEqual(['b', 'c', 'a']);
    bench.moveBeside(['c', 'a'], 'b', 'under');
    expect(ids()).toEqual(['c', 'a', 'b']);
    bench.restackByOne('up', () => false);
    expect(bench.session.state.past).toHaveLength(2);
  });
});

describe('the shortcuts', () => {
  const hands: ShortcutContext = {
    zoom: () => undefined,
    showRepeats: () => undefined,
    showActual: () => undefined,
    squint: () => undefined,
    pan: () => undefined,
    openSheet: () => undefined,
    saveSwatch: () => undefined,
    giveUp: () => bench.select([]),
    bundles: { bundle: () => undefined, loosen: () => undefined, open: () => undefined, separate: () => undefined },
    overlap: () => true,
    pointer: () => undefined,
  };
  const event = (key: string, held: Partial<KeyboardEvent> = {}): KeyboardEvent =>
    ({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...held }) as KeyboardEvent;

  it('never mean two things', () => {
    const keys = [
      'z',
      'y',
      's',
      '?',
      'a',
      'i',
      'n',
      'b',
      'k',
      'l',
      'o',
      't',
      'g',
      'm',
      'f',
      'h',
      'u',
      'j',
      'd',
      'c',
      'x',
      'v',
      'Delete',
      'Backspace',
      'Escape',
      '+',
      '=',
      '-',
      '1',
      '4',
      '0',
      'ArrowLeft',
      'ArrowUp',
      'q',
      'Enter',
      ' ',
    ];
    for (const key of keys) {
      for (const ctrlKey of [false, true]) {
        for (const [shiftKey, altKey] of [
          [false, false],
          [true, false],
          [false, true],
          [true, true],
        ] as const) {
          const meant = SHORTCUTS.filter(({ matches }) => matches(event(key, { ctrlKey, shiftKey, altKey })));
          expect(meant.length, `${ctrlKey ? 'Ctrl ' : ''}${shiftKey ? 'Shift ' : ''}${key}`).toBeLessThanOrEqual(1);
        }
      }
    }
  });

  it('are where every desktop program has them', () => {
    const run = (e: KeyboardEvent): void => SHORTCUTS.find(({ matches }) => matches(e))?.run(bench, hands, e);
    run(event('a', { ctrlKey: true }));
    expect(bench.selection.getState().ids).toEqual(['a', 'b', 'c']);
    run(event('Delete'));
    expect(ids()).toEqual([]);
    run(event('z', { metaKey: true }));
    expect(ids()).toEqual(['a', 'b', 'c']);
    run(event('y', { ctrlKey: true }));
    expect(ids()).toEqual([]);
    run(event('z', { ctrlKey: true }));
    run(event('Z', { ctrlKey: true, shiftKey: true }));
    expect(ids()).toEqual([]);
  });
});
