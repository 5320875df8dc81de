import { fitCell } from '../../../../core/arrange/index.ts';
import { whenMade } from '../../../editor/wholeDesign.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Makes the cell as large as what lies in it and one gap, which nobody has to calculate then. */
export function FitCell() {
  const editor = useEditor();
  const isDrawing = useStore(editor.drawing.making);
  const isEmpty = useStore(editor.session, ({ committed }) => committed.placements.length === 0) && !isDrawing;
  const gap = useStore(editor.cellGap);
  const fit = (by: number): void => {
    editor.cellGap.set(by);
    if (!isEmpty) void whenMade(editor, () => resize(by));
  };
  const resize = (by: number): void => {
    const command = fitCell(editor.design, editor.motifMap, by);
    if (command?.type === 'all' && command.commands.length === 0) return;
    if (command) editor.commit(TEXTS.fittedTheCell, command);
    else editor.refusal.set(TEXTS.withThisGapTheCell);
  };
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <LengthField label={TEXTS.gap} mm={gap} signed min={-500} max={1000} onChange={fit} />
      <Button disabled={isEmpty} title={TEXTS.makesTheCellFitIts} onClick={() => fit(gap)}>
        {TEXTS.fitTheCell}
      </Button>
    </div>
  );
}
