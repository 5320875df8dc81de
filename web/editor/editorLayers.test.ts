import { beforeEach, describe, expect, it } from 'vitest';
import { type Layer } from '../../core/document/index.ts';
import type { Editor } from './editor.ts';
import { between, stackRows } from '../screens/design/layerRows.ts';
import { LEAF, leavesEditor } from './testing/leavesEditor.ts';

let editor: Editor;

const ids = (): string[] => editor.design.placements.map(({ id }) => id);

beforeEach(() => {
  editor = leavesEditor();
});

describe('layers in the editor', () => {
  const names = (): string => editor.design.layers.map(({ name }) => name).join(' ');

  it('take what is laid, follow what is chosen, and are merged and deleted with a way back', () => {
    editor.addLayer();
    expect(editor.layer?.name).toBe('Layer 2');
    editor.place(LEAF, { x: 50, y: 50 });
    expect(editor.selectedPlacements[0]?.layer).toBe(editor.design.layers[1]?.id);
    editor.select(['a']);
    expect(editor.layer?.name).toBe('Motifs');
    const upper = editor.design.layers[1] as Layer;
    editor.moveLayer(upper, 0);
    expect(names()).toBe('Layer 2 Motifs');
    expect(editor.design.placements[3]?.id).toBe('c');
    editor.moveLayer(upper, 1);
    editor.mergeDown(upper);
    expect([names(), ids().length]).toEqual(['Motifs', 4]);
    editor.undo();
    expect(names()).toBe('Motifs Layer 2');
    editor.removeLayer(upper);
    expect([names(), ids()]).toEqual(['Motifs', ['a', 'b', 'c']]);
    editor.removeLayer(editor.design.layers[0] as Layer);
    expect(names()).toBe('Motifs');
    editor.undo();
    expect(ids()).toHaveLength(4);
  });

  it('that are locked or hidden keep their things from being chosen by anything', () => {
    editor.select(['a', 'b']);
    editor.addLayer();
    const upper = editor.design.layers[1] as Layer;
    editor.select(['c']);
    editor.intoLayer(upper);
    editor.select(['a', 'c']);
    editor.changeLayer('Locked', upper.id, { locked: true });
    expect(editor.selection.getState().ids).toEqual(['a']);
    editor.selectAll();
    expect(editor.selection.getState().ids).toEqual(['a', 'b']);
    editor.select(['c']);
    expect(editor.selection.getState().ids).toEqual([]);
    for (const by of [1, 1, 1] as const) editor.selectNext(by);
    expect(editor.selection.getState().ids).toEqual(['a']);
    editor.changeLayer('Hid', 'main', { shown: false });
    expect(editor.selection.getState().ids).toEqual([]);
    editor.place(LEAF, { x: 1, y: 1 });
    expect(editor.refusal.getState()).toMatch(/^Every layer is hidden or locked/);
    expect(ids()).toHaveLength(3);
  });

  it('are listed topmost first, folded, sought, and chosen from one line to another', () => {
    editor.addLayer();
    editor.select(['b']);
    editor.intoLayer(editor.design.layers[1] as Layer);
    const rows = stackRows(editor.design, (motif) => (motif === 'leaf' ? 'Leaf' : ''), new Set(), '');
    expect(rows.map(({ key }) => key)).toEqual([
      `layer ${editor.design.layers[1]?.id ?? ''}`,
      'b',
      'layer main',
      'c',
      'a',
    ]);
    expect(between(rows, 'a', 'b')).toEqual(['b', 'c', 'a']);
    expect(stackRows(editor.design, () => 'Leaf', new Set(['main']), '').map(({ key }) => key)).not.toContain('a');
    expect(stackRows(editor.design, () => 'Leaf', new Set(['main']), 'eaf')).toHaveLength(5);
    expect(stackRows(editor.design, () => 'Leaf', new Set(), 'whelk')).toHaveLength(2);
  });

  it('take things laid by others in the list, over and under', () => {
    editor.moveBeside(['a'], 'c', 'over');
    expect(ids()).toEqual(['b', 'c', 'a']);
    editor.moveBeside(['c', 'a'], 'b', 'under');
    expect(ids()).toEqual(['c', 'a', 'b']);
    editor.restackByOne('up', () => false);
    expect(editor.session.state.past).toHaveLength(2);
  });
});
