import { useState } from 'react';
import { fitCell } from '../../../../core/arrange/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Makes the cell as large as what lies in it and one gap, which nobody has to calculate then. */
export function FitCell() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const [gap, setGap] = useState(10);
  const fit = (): void => {
    const command = fitCell(editor.design, editor.motifMap, gap);
    if (command) editor.commit(TEXTS.fittedTheCell, command);
    else editor.refusal.set(TEXTS.withThisGapTheCell);
  };
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <LengthField label={TEXTS.gap} mm={gap} signed min={-500} max={1000} onChange={setGap} />
      <Button disabled={design.placements.length === 0} title={TEXTS.makesTheCellFitIts} onClick={fit}>
        {TEXTS.fitTheCell}
      </Button>
    </div>
  );
}
