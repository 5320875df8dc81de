import { swapHalves } from '../../../../core/arrange/index.ts';
import { symmetryOpsOf } from '../../../../core/lattice/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { whenMade } from '../../../editor/wholeDesign.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** Brings what is at the edges of the cell into its middle, to be gone on with there. */
export function SwapHalves() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const isDrawing = useStore(editor.drawing.making);
  const isEmpty = design.placements.length === 0 && !isDrawing;
  const isTurned = symmetryOpsOf(design.repeat).length > 1;
  const swap = (): void => {
    const command = swapHalves(editor.design);
    if (command) editor.commit(TEXTS.swappedHalves, command);
  };
  return (
    <Button
      disabled={isEmpty || isTurned}
      title={isTurned ? TEXTS.halvesOfThisStep : TEXTS.movesAllByHalfACell}
      onClick={() => void whenMade(editor, swap)}
    >
      {TEXTS.swapHalves}
    </Button>
  );
}
