import { Redo2, Undo2 } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { useStore } from '../../ui/store.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Undo and redo, each saying what it would do. */
export function UndoButtons() {
  const editor = useEditor();
  const past = useStore(editor.session, (state) => state.past);
  const future = useStore(editor.session, (state) => state.future);
  const drawn = useDrawnSteps();
  const [undone, redone] = [drawn?.past ?? 0, drawn?.future ?? 0];
  // What is open is stepped through alone; strokes come before the steps of the design.
  const [canUndo, canRedo] = drawn?.isAlone
    ? [undone > 0, redone > 0]
    : [undone > 0 || past.length > 0, redone > 0 || future.length > 0];
  const undoLabel = past.length > 0 ? TEXTS.undoLabel(past.at(-1)?.label) : TEXTS.undo;
  const redoLabel = future.length > 0 ? TEXTS.doAgainLabel(future[0]?.label) : TEXTS.redo;
  return (
    <>
      <Button
        look="quiet"
        label={drawn && (undone > 0 || drawn.isAlone) ? TEXTS.undoA(drawn.what) : undoLabel}
        disabled={!canUndo}
        onClick={() => editor.undo()}
      >
        <Undo2 size={17} aria-hidden />
      </Button>
      <Button
        look="quiet"
        label={drawn && (redone > 0 || drawn.isAlone) ? TEXTS.redoA(drawn.what) : redoLabel}
        disabled={!canRedo}
        onClick={() => editor.redo()}
      >
        <Redo2 size={17} aria-hidden />
      </Button>
    </>
  );
}

/** How many steps there are of what is being drawn, and what one is called; undefined in other parts of the job. */
function useDrawnSteps() {
  const { part, points, masking, drawing } = useEditor();
  const [pointSteps, areaSteps, strokeSteps] = [
    useStore(points.steps),
    useStore(masking.steps),
    useStore(drawing.steps),
  ];
  const [openPoints, openMask, path] = [useStore(points.opened), useStore(masking.opened), useStore(drawing.path.open)];
  if (useStore(part) !== 'draw') return undefined;
  if (openPoints) return { ...pointSteps, what: TEXTS.aChangeOfPoints, isAlone: true };
  if (openMask) return { ...areaSteps, what: TEXTS.aChangeOfTheMask, isAlone: true };
  if (path) return { past: path.knots.length, future: 0, what: TEXTS.aPoint, isAlone: false };
  return { ...strokeSteps, what: TEXTS.aStroke, isAlone: false };
}
