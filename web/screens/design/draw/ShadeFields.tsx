import type { Shading } from '../../../../core/recipe/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { useStore } from '../../../ui/store.ts';
import { DesignInkField } from './InkFields.tsx';
import { TEXTS } from './texts.ts';

const KINDS: readonly { readonly value: Shading['kind']; readonly name: string }[] = [
  { value: 'linear', name: TEXTS.alongALine },
  { value: 'radial', name: TEXTS.fromTheMiddle },
];

/** What the fills of a drawing go over to: of the next one that is shaded, and of the one whose handles are seen. */
export function ShadeFields() {
  const { shades, drawn } = useEditor().drawing;
  const { kind, ink, opacity } = useStore(shades.look);
  useStore(shades.chosen);
  const { strokes } = useStore(drawn);
  return (
    <>
      <p className="text-sm">{strokes.length > 0 ? TEXTS.dragToShade : TEXTS.drawToShade}</p>
      <Choice
        label={TEXTS.shading}
        captioned
        value={kind}
        options={KINDS}
        onChange={(next) => shades.change({ kind: next })}
      />
      <DesignInkField label={TEXTS.goesOverTo} ink={ink} onChange={(next) => shades.change({ ink: next })} />
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.opacityThere}
          sign="%"
          value={100 * opacity}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => shades.change({ opacity: percent / 100 })}
        />
        <Button className="mt-[18px]" disabled={!shades.shading} onClick={() => shades.removeSelected()}>
          {TEXTS.removeTheShading}
        </Button>
      </div>
    </>
  );
}
