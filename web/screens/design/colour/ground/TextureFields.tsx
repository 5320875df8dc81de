import { TEXTURES, type TexturedGround } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { AmountField } from '../../../../ui/AmountField.tsx';
import { Choice } from '../../../../ui/Choice.tsx';
import { SliderField } from '../../../../ui/SliderField.tsx';
import { useStore } from '../../../../ui/store.ts';
import { InkSelect } from './InkSelect.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly ground: TexturedGround;
  readonly onChange: (ground: TexturedGround) => void;
}

/** A texture: which, in which inks, how large, how strong, and by which seed. */
export function TextureFields({ ground, onChange }: Props) {
  const editor = useEditor();
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const { texture, scale, strength, seed } = ground;
  const [first = '', second = ''] = ground.inks;
  return (
    <div className="grid grid-cols-1 gap-2">
      <Choice
        label={TEXTS.texture}
        value={texture}
        options={TEXTURES.map((value) => ({ value, name: TEXTS.textureName(value) }))}
        onChange={(next) => onChange({ ...ground, texture: next })}
      />
      <div className="grid grid-cols-2 gap-2">
        <InkSelect
          label={TEXTS.groundInk}
          inks={inks}
          value={first}
          onChange={(ink) => onChange({ ...ground, inks: second === '' ? [ink] : [ink, second] })}
        />
        <InkSelect
          label={TEXTS.marksInk}
          inks={inks}
          value={second}
          none={TEXTS.shade}
          onChange={(ink) => onChange({ ...ground, inks: ink === '' ? [first] : [first, ink] })}
        />
      </div>
      <SliderField
        label={TEXTS.strength}
        value={Math.round(100 * strength)}
        sign="%"
        min={0}
        max={100}
        step={1}
        onChange={(percent) => onChange({ ...ground, strength: percent / 100 })}
      />
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.size}
          value={Math.round(100 * scale)}
          sign="%"
          min={25}
          max={800}
          step={10}
          onChange={(percent) => onChange({ ...ground, scale: percent / 100 })}
        />
        <AmountField
          label={TEXTS.seed}
          value={seed}
          min={0}
          max={999_999}
          onChange={(next) => onChange({ ...ground, seed: Math.round(next) })}
        />
      </div>
    </div>
  );
}
