import { use } from 'react';
import { type DrawingSymmetry, LEAST_TURNS, MOST_TURNS } from '../../../../core/draw/index.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { middle, toMm } from '../../../cloth/viewport.ts';
import { TEXTS } from './texts.ts';

const KINDS: readonly { readonly value: DrawingSymmetry['kind']; readonly name: string }[] = [
  { value: 'none', name: TEXTS.none },
  { value: 'mirror', name: TEXTS.mirrored },
  { value: 'turn', name: TEXTS.turned },
];

/** What each stroke is drawn along with: its reflection, or itself turned about a point. */
export function SymmetryFields() {
  const { drawing } = useEditor();
  const cloth = use(ClothContext);
  const symmetry = useStore(drawing.symmetry);
  const set = (next: DrawingSymmetry): void => drawing.symmetry.set(next);
  const choose = (kind: DrawingSymmetry['kind']): void => {
    const viewport = cloth?.view.getViewport();
    const inSight = viewport ? toMm(viewport, middle(viewport)) : { x: 0, y: 0 };
    const at = symmetry.kind === 'none' ? { x: Math.round(inSight.x), y: Math.round(inSight.y) } : symmetry.at;
    if (kind === 'mirror') set({ kind, at, angle: 0 });
    else if (kind === 'turn') set({ kind, at, count: 6, mirrored: false });
    else set({ kind });
  };
  return (
    <>
      <Choice label={TEXTS.drawAlong} captioned value={symmetry.kind} options={KINDS} onChange={choose} />
      {symmetry.kind === 'mirror' && (
        <AmountField
          label={TEXTS.angle}
          sign="°"
          value={symmetry.angle}
          min={-180}
          max={180}
          step={15}
          onChange={(angle) => set({ ...symmetry, angle })}
        />
      )}
      {symmetry.kind === 'turn' && (
        <>
          <AmountField
            label={TEXTS.times}
            value={symmetry.count}
            min={LEAST_TURNS}
            max={MOST_TURNS}
            onChange={(count) => set({ ...symmetry, count: Math.round(count) })}
          />
          <Tick
            label={TEXTS.mirrorEach}
            on={symmetry.mirrored}
            onChange={(mirrored) => set({ ...symmetry, mirrored })}
          />
        </>
      )}
      {symmetry.kind !== 'none' && (
        <div className="grid grid-cols-2 gap-2">
          <LengthField
            label={TEXTS.centreX}
            mm={symmetry.at.x}
            signed
            onChange={(x) => set({ ...symmetry, at: { ...symmetry.at, x } })}
          />
          <LengthField
            label={TEXTS.centreY}
            mm={symmetry.at.y}
            signed
            onChange={(y) => set({ ...symmetry, at: { ...symmetry.at, y } })}
          />
        </div>
      )}
    </>
  );
}
