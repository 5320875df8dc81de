import { invertSelection, selectSimilar } from '../../../core/arrange/index.ts';
import type { Placement } from '../../../core/document/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import type { Editor } from '../../editor/editor.ts';
import { ARROW_STEPS } from '../../ui/arrowSteps.ts';
import type { BundleActions } from './bundleActions.ts';

/** Something a key does; the sheet behind `?` is made of this table. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
  readonly group: 'General' | 'Selection' | 'The cloth';
  /** Whether the event is this shortcut. */
  readonly matches: (event: KeyboardEvent) => boolean;
  /** Whether the browser does its own with it as well. */
  readonly isShared?: boolean;
  readonly run: (editor: Editor, context: ShortcutContext, event: KeyboardEvent) => void;
}

/** What shortcuts can reach besides the editor. */
export interface ShortcutContext {
  zoom(factor: number): void;
  showRepeats(count: 1 | 4 | 16): void;
  showActual(): void;
  squint(): void;
  pan(x: number, y: number): void;
  openSheet(): void;
  saveSwatch(): void;
  nextHole(): void;
  finishDrawing(): void;
  giveUp(): void;
  paste(): void;
  readonly bundles: BundleActions;
  /** Whether what is drawn of two placements lies over each other. */
  overlap(a: Placement, b: Placement): boolean;
  /** Where the pointer is on the cloth, mm; undefined while it is elsewhere. */
  pointer(): Point | undefined;
}

const ctrl = (event: KeyboardEvent): boolean => event.ctrlKey || event.metaKey;
const plain = (key: string) => (event: KeyboardEvent) =>
  !ctrl(event) && !event.altKey && event.key.toLowerCase() === key;
const held =
  (key: string, shift = false) =>
  (event: KeyboardEvent) =>
    ctrl(event) && event.shiftKey === shift && event.key.toLowerCase() === key;

const NUDGE_MM = 1;
const FAR_NUDGE_MM = 10;
const PAN_PX = 60;

export const SHORTCUTS: readonly Shortcut[] = [
  { keys: 'Ctrl Z', does: 'Undo', group: 'General', matches: held('z'), run: (editor) => editor.undo() },
  {
    keys: 'Ctrl Shift Z, Ctrl Y',
    does: 'Redo',
    group: 'General',
    matches: (e) => held('z', true)(e) || held('y')(e),
    run: (editor) => editor.redo(),
  },
  {
    keys: 'Ctrl S',
    does: 'Save a swatch (edits are saved automatically)',
    group: 'General',
    matches: held('s'),
    run: (_editor, context) => context.saveSwatch(),
  },
  {
    keys: '?',
    does: 'Keyboard shortcuts',
    group: 'General',
    matches: plain('?'),
    run: (_editor, context) => context.openSheet(),
  },
  {
    keys: 'Ctrl A',
    does: 'Select all',
    group: 'Selection',
    matches: held('a'),
    run: (editor) => editor.selectAll(),
  },
  {
    keys: 'I',
    does: 'Invert selection',
    group: 'Selection',
    matches: plain('i'),
    run: (editor) => editor.select(invertSelection(editor.editablePlacements, editor.selection.getState().ids)),
  },
  {
    keys: 'A',
    does: 'Select similar: all of the same motif',
    group: 'Selection',
    matches: plain('a'),
    run: (editor) => editor.select(selectSimilar(editor.design, editor.selection.getState().ids)),
  },
  {
    keys: 'N, B',
    does: 'Select the next or previous motif or point',
    group: 'Selection',
    matches: (e) => plain('n')(e) || plain('b')(e),
    run: (editor, _hands, e) => editor.selectNext(e.key.toLowerCase() === 'n' ? 1 : -1),
  },
  {
    keys: 'Arrows',
    does: 'Move by 1 mm; with Shift by 10 mm; with nothing selected, pan the cloth',
    group: 'Selection',
    matches: (e) => !ctrl(e) && !e.altKey && e.key in ARROW_STEPS,
    run: arrow,
  },
  {
    keys: 'S',
    does: 'Snap on or off; hold Ctrl while moving for the opposite',
    group: 'Selection',
    matches: plain('s'),
    run: (editor) => editor.snapping.set(!editor.snapping.getState()),
  },
  {
    keys: 'Alt arrows, Alt Shift arrows, Ctrl arrows',
    does: 'Move by a half, a third, a quarter of the cell',
    group: 'Selection',
    matches: (e) => e.altKey !== ctrl(e) && !(ctrl(e) && e.shiftKey) && e.key in ARROW_STEPS,
    run: byCell,
  },
  {
    keys: 'T',
    does: 'Rotate by 5° about the anchor; with Shift the other way',
    group: 'Selection',
    matches: plain('t'),
    run: (editor, _hands, e) => editor.rotate(e.shiftKey ? -5 : 5),
  },
  {
    keys: 'G',
    does: 'Scale up by 5 %; with Shift down',
    group: 'Selection',
    matches: plain('g'),
    run: (editor, _hands, e) => editor.scaleBy(e.shiftKey ? 1 / 1.05 : 1.05),
  },
  {
    keys: 'M',
    does: 'Flip left to right; with Shift top to bottom',
    group: 'Selection',
    matches: plain('m'),
    run: (editor, _hands, e) => editor.flip(e.shiftKey),
  },
  {
    keys: 'F, H',
    does: 'To front, to back',
    group: 'Selection',
    matches: (e) => plain('f')(e) || plain('h')(e),
    run: (editor, _hands, e) => editor.restack(e.key.toLowerCase() === 'f' ? 'front' : 'back'),
  },
  {
    keys: 'U, J',
    does: 'Bring forward, send backward past what it overlaps',
    group: 'Selection',
    matches: (e) => plain('u')(e) || plain('j')(e),
    run: (editor, { overlap }, e) => editor.restackByOne(e.key.toLowerCase() === 'u' ? 'up' : 'down', overlap),
  },
  {
    keys: 'K, L',
    does: 'Bundle, unbundle',
    group: 'Selection',
    matches: (e) => plain('k')(e) || plain('l')(e),
    run: (_editor, { bundles }, e) => (e.key.toLowerCase() === 'k' ? bundles.bundle() : bundles.loosen()),
  },
  {
    keys: 'O',
    does: 'Open a bundle to change its parts; a double click does so too',
    group: 'Selection',
    matches: plain('o'),
    run: (_editor, { bundles }) => bundles.open(),
  },
  {
    keys: 'Ctrl D, Ctrl Shift D',
    does: 'Duplicate beside, in place',
    group: 'Selection',
    matches: (e) => held('d')(e) || held('d', true)(e),
    run: (editor, _hands, e) => editor.duplicate(e.shiftKey),
  },
  {
    keys: 'Ctrl C, Ctrl X, Ctrl V',
    does: 'Copy, cut, paste: also into other designs and windows; pictures and SVG from other programs come as motifs',
    group: 'Selection',
    matches: (e) => held('c')(e) || held('x')(e) || held('v')(e),
    isShared: true,
    run: (editor, { paste }, e) =>
      ({ c: () => editor.copy(), x: () => editor.cut(), v: paste })[e.key.toLowerCase() as 'c' | 'x' | 'v'](),
  },
  {
    keys: 'Ctrl Shift V',
    does: 'Paste at the pointer',
    group: 'Selection',
    matches: held('v', true),
    run: (editor, context) => editor.paste(context.pointer()),
  },
  {
    keys: 'Delete',
    does: 'Delete',
    group: 'Selection',
    matches: (e) => e.key === 'Delete' || e.key === 'Backspace',
    run: (editor) => editor.remove(),
  },
  {
    keys: 'Escape',
    does: 'Cancel the current action; clear the selection',
    group: 'Selection',
    matches: (e) => e.key === 'Escape',
    run: (_editor, context) => context.giveUp(),
  },
  {
    keys: '+, −',
    does: 'Zoom in, zoom out; the wheel zooms at the pointer',
    group: 'The cloth',
    matches: (e) => !ctrl(e) && ['+', '=', '-'].includes(e.key),
    run: (_editor, context, e) => context.zoom(e.key === '-' ? 1 / 1.25 : 1.25),
  },
  {
    keys: '1, 4',
    does: 'One repeat, four repeats',
    group: 'The cloth',
    matches: (e) => plain('1')(e) || plain('4')(e),
    run: (_editor, context, e) => context.showRepeats(e.key === '1' ? 1 : 4),
  },
  {
    keys: 'Q',
    does: 'Squint: blurred, as seen from a distance',
    group: 'The cloth',
    matches: plain('q'),
    run: (_editor, context) => context.squint(),
  },
  {
    keys: 'Y',
    does: 'Go to the largest hole, then to the next',
    group: 'The cloth',
    matches: plain('y'),
    run: (_editor, context) => context.nextHole(),
  },
  {
    keys: 'Enter',
    does: 'End the path; finish the drawing',
    group: 'The cloth',
    matches: (e) =>
      e.key === 'Enter' && (e.target as HTMLElement | null)?.matches('button, a, summary, [role="radio"]') !== true,
    run: (editor, context) => {
      if (editor.part.getState() === 'draw' && !editor.drawing.path.end()) context.finishDrawing();
    },
  },
  {
    keys: '0',
    does: 'Actual size',
    group: 'The cloth',
    matches: plain('0'),
    run: (_editor, context) => context.showActual(),
  },
];

/** Held keys of the pointer, listed on the sheet with the rest. */
export const POINTER_HINTS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: 'Drag a motif', does: 'Move it; all its repeats move with it' },
  { keys: 'Shift click', does: 'Add to the selection, or remove from it' },
  { keys: 'Click again', does: 'Select what lies below' },
  { keys: 'Right click', does: 'List all motifs at that point' },
  { keys: 'Shift drag, Alt drag', does: 'Select within a box, within a lasso' },
  { keys: 'Drag the ground, Space drag, middle-button drag', does: 'Pan the cloth' },
  { keys: 'Corner pin', does: 'Scale about the opposite corner; with Alt about the anchor' },
  { keys: 'Side pin', does: 'Stretch one way; with Ctrl skew, with Alt about the anchor' },
  { keys: 'Rotation handle', does: 'Rotate about the anchor; with Shift in steps of 15°' },
  { keys: 'Anchor', does: 'Drag to move it; double-click to return it to the centre' },
  { keys: 'Drag out of the selvedge', does: 'Add a vertical guide; with Shift a horizontal one' },
];

function byCell(editor: Editor, _hands: ShortcutContext, event: KeyboardEvent): void {
  const { x, y } = ARROW_STEPS[event.key] as Point;
  const share = ctrl(event) ? 1 / 4 : event.shiftKey ? 1 / 3 : 1 / 2;
  editor.nudgeByCell({ x: x * share, y: y * share });
}

function arrow(editor: Editor, context: ShortcutContext, event: KeyboardEvent): void {
  const { x, y } = ARROW_STEPS[event.key] as Point;
  if (editor.selection.getState().ids.length === 0 && !editor.pointKeys) {
    context.pan(-x * PAN_PX, -y * PAN_PX);
    return;
  }
  const by = event.shiftKey ? FAR_NUDGE_MM : NUDGE_MM;
  editor.nudge({ x: x * by, y: y * by });
}
