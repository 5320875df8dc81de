import { beforeEach, describe, expect, it } from 'vitest';
import type { Editor } from './editor.ts';
import { SHORTCUTS, type ShortcutContext } from '../screens/design/shortcuts.ts';
import { leavesEditor } from './testing/leavesEditor.ts';

let editor: Editor;

const ids = (): string[] => editor.design.placements.map(({ id }) => id);

beforeEach(() => {
  editor = leavesEditor();
});

describe('the shortcuts', () => {
  const context: ShortcutContext = {
    zoom: () => undefined,
    showRepeats: () => undefined,
    showActual: () => undefined,
    squint: () => undefined,
    pan: () => undefined,
    openSheet: () => undefined,
    saveSwatch: () => undefined,
    nextHole: () => undefined,
    finishDrawing: () => undefined,
    giveUp: () => editor.select([]),
    paste: () => editor.paste(),
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
    const run = (e: KeyboardEvent): void => SHORTCUTS.find(({ matches }) => matches(e))?.run(editor, context, e);
    run(event('a', { ctrlKey: true }));
    expect(editor.selection.getState().ids).toEqual(['a', 'b', 'c']);
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
