import { type CheckedGround, MOST_WAVES } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { AmountField } from '../../../../ui/AmountField.tsx';
import { Choice } from '../../../../ui/Choice.tsx';
import { useStore } from '../../../../ui/store.ts';
import { ClosingNote } from './ClosingNote.tsx';
import { InkSelect } from './InkSelect.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly ground: CheckedGround;
  readonly onChange: (ground: CheckedGround) => void;
}

/** Checks: the ground's ink and that of the bands, how many there are, and what comes of their crossings. */
export function CheckFields({ ground, onChange }: Props) {
  const editor = useEditor();
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const { across, down, share, crossing } = ground;
  const [first = '', second = ''] = ground.inks;
  return (
    <div className="grid grid-cols-1 gap-2">
      <div className="grid grid-cols-2 gap-2">
        <InkSelect
          label={TEXTS.groundInk}
          inks={inks}
          value={first}
          onChange={(ink) => onChange({ ...ground, inks: [ink, second] })}
        />
        <InkSelect
          label={TEXTS.bandInk}
          inks={inks}
          value={second}
          onChange={(ink) => onChange({ ...ground, inks: [first, ink] })}
        />
      </div>
      <div className="grid grid-cols-3 gap-2">
        <AmountField
          label={TEXTS.across}
          value={across}
          min={1}
          max={MOST_WAVES}
          onChange={(count) => onChange({ ...ground, across: Math.round(count) })}
        />
        <AmountField
          label={TEXTS.down}
          value={down}
          min={1}
          max={MOST_WAVES}
          onChange={(count) => onChange({ ...ground, down: Math.round(count) })}
        />
        <AmountField
          label={TEXTS.band}
          value={Math.round(100 * share)}
          sign="%"
          min={5}
          max={95}
          step={5}
          onChange={(percent) => onChange({ ...ground, share: percent / 100 })}
        />
      </div>
      <ClosingNote
        wished={[
          { across, down: 0 },
          { across: 0, down },
        ]}
      />
      <Choice
        label={TEXTS.crossing}
        captioned
        value={crossing}
        options={[
          { value: 'woven', name: TEXTS.woven },
          { value: 'exchanged', name: TEXTS.exchanged },
        ]}
        onChange={(next) => onChange({ ...ground, crossing: next })}
      />
    </div>
  );
}
