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
  const isDrawing = useStore(editor.part) === 'draw';
  const counts = {
    points: useStore(editor.points.steps),
    mask: useStore(editor.masking.steps),
    strokes: useStore(editor.drawing.steps),
  };
  const arePointsOpen = useStore(editor.points.opened) !== undefined;
  const isMaskOpen = useStore(editor.masking.opened) !== undefined;
  const strokes = arePointsOpen ? counts.points : isMaskOpen ? counts.mask : counts.strokes;
  const [undoesStroke, redoesStroke] = [isDrawing && strokes.past > 0, isDrawing && strokes.future > 0];
  return (
    <>
      <Button
        look="quiet"
        label={undoesStroke ? TEXTS.undoAStroke : past.length > 0 ? TEXTS.undoLabel(past.at(-1)?.label) : TEXTS.undo}
        disabled={past.length === 0 && !undoesStroke}
        onClick={() => editor.undo()}
      >
        <Undo2 size={17} aria-hidden />
      </Button>
      <Button
        look="quiet"
        label={redoesStroke ? TEXTS.redoAStroke : future.length > 0 ? TEXTS.doAgainLabel(future[0]?.label) : TEXTS.redo}
        disabled={future.length === 0 && !redoesStroke}
        onClick={() => editor.redo()}
      >
        <Redo2 size={17} aria-hidden />
      </Button>
    </>
  );
}
