import { type CellSide, keepProportions, resizeCell, scaleCell, setModule } from '../../../../core/arrange/index.ts';
import { LARGEST_CELL_MM, proportionOf, type Repeat, SMALLEST_CELL_MM } from '../../../../core/lattice/index.ts';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { whenMade } from '../../../editor/wholeDesign.ts';
import { TEXTS } from './texts.ts';

const MODULE_MM = 10;

/** How large the cell is, what that has to keep to, and whether what lies in it grows along. */
export function CellSize() {
  const editor = useEditor();
  const along = useStore(editor.contentsFollow);
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const size = { min: SMALLEST_CELL_MM, max: LARGEST_CELL_MM };
  const change = (label: string, next: Repeat): boolean => editor.commit(label, { type: 'repeat', repeat: next });
  const resize = (side: CellSide, mm: number): void => {
    const next = resizeCell(repeat, side, mm);
    if (along) void whenMade(editor, () => scale(next));
    else change(TEXTS.resizedTheCell, next);
  };
  const scale = (next: Repeat): void => {
    const command = scaleCell(editor.design, next);
    if (command) editor.commit(TEXTS.scaledTheCell, command);
    else editor.refusal.set(TEXTS.thatWouldMakeAMotif);
  };
  return (
    <div className="grid gap-2">
      <div className="grid grid-cols-2 gap-2">
        <LengthField label={TEXTS.cellWidth} mm={repeat.width} {...size} onChange={(mm) => resize('width', mm)} />
        <LengthField label={TEXTS.cellHeight} mm={repeat.height} {...size} onChange={(mm) => resize('height', mm)} />
      </div>
      <Tick label={TEXTS.scaleTheContentsToo} on={along} onChange={(isOn) => editor.contentsFollow.set(isOn)} />
      {proportionOf(repeat.step) === undefined && (
        <Tick
          label={TEXTS.keepProportions}
          on={repeat.held === true}
          onChange={(isHeld) =>
            change(isHeld ? TEXTS.lockedTheProportions : TEXTS.unlockedTheProportions, keepProportions(repeat, isHeld))
          }
        />
      )}
      <div className="grid grid-cols-2 items-end gap-2">
        <Tick
          label={TEXTS.multiplesOf}
          on={repeat.module !== undefined}
          onChange={(isOn) =>
            change(isOn ? TEXTS.setAModule : TEXTS.removedTheModule, setModule(repeat, isOn ? MODULE_MM : undefined))
          }
        />
        {repeat.module !== undefined && (
          <LengthField
            label={TEXTS.module}
            hideLabel
            mm={repeat.module}
            min={0.1}
            max={1000}
            onChange={(mm) => change(TEXTS.setAModule, setModule(repeat, mm))}
          />
        )}
      </div>
    </div>
  );
}
