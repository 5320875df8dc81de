import { useState } from 'react';
import { fitCell } from '../../../../core/arrange/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

/** Makes the cell as large as what lies in it and one gap, which nobody has to calculate then. */
export function FitCell() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const [gap, setGap] = useState(10);
  const fit = (): void => {
    const command = fitCell(editor.design, editor.motifMap, gap);
    if (command) editor.commit('Fitted the cell', command);
    else
      editor.refusal.set('With this gap the cell would be smaller or larger than a cell can be. Nothing was changed.');
  };
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <LengthField label="Gap" mm={gap} signed min={-500} max={1000} onChange={setGap} />
      <Button
        disabled={design.placements.length === 0}
        title="Makes the cell fit its contents plus one gap"
        onClick={fit}
      >
        Fit the cell
      </Button>
    </div>
  );
}
