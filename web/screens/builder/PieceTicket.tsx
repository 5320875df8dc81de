import type { Hex } from '../../../core/colour/index.ts';
import { COMBINE_MODES, type CombineMode, FONT_IDS, LONGEST_TEXT, type Piece } from '../../../core/recipe/index.ts';
import { FIGURES, FONTS, type Measure, measured } from '../../../core/shapes/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { FadeFields } from './FadeFields.tsx';
import { InkField } from '../../ui/InkField.tsx';
import { MEETING_NAMES, withInk } from './pieces.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly piece: Piece;
  readonly isFirst: boolean;
  /** Whether its fill and outline are another's. */
  readonly takesAfter: boolean;
  readonly inks: readonly Hex[];
  readonly onChange: (change: Partial<Piece>) => void;
}

/** Every number of one piece. */
export function PieceTicket({ piece, isFirst, takesAfter, inks, onChange }: Props) {
  const figure = FIGURES[piece.figure];
  const values = measured(figure, piece.values);
  const set = (key: string, value: number): void => onChange({ values: { ...values, [key]: value } });
  return (
    <>
      {!isFirst && (
        <TicketPart name={TEXTS.combineWithThePieceBelow}>
          <select
            aria-label={TEXTS.combineWithThePieceBelow}
            value={piece.combine}
            onChange={(event) => onChange({ combine: event.target.value as CombineMode })}
            className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
          >
            {COMBINE_MODES.map((combineMode) => (
              <option key={combineMode} value={combineMode}>
                {MEETING_NAMES[combineMode]}
              </option>
            ))}
          </select>
        </TicketPart>
      )}
      <TicketPart name={figure.name}>
        {piece.figure === 'lettering' && <LetterFields piece={piece} onChange={onChange} />}
        {figure.measures.map((measure) => (
          <MeasureField
            key={measure.key}
            measure={measure}
            value={values[measure.key] as number}
            onChange={(value) => set(measure.key, value)}
          />
        ))}
        <div className="grid grid-cols-3 gap-2">
          <LengthField label={TEXTS.placeAcross} mm={piece.x} signed onChange={(x) => onChange({ x })} />
          <LengthField label={TEXTS.placeDown} mm={piece.y} signed onChange={(y) => onChange({ y })} />
          <AmountField
            label={TEXTS.turn}
            sign="°"
            value={piece.rotation}
            min={-360}
            max={360}
            step={5}
            onChange={(rotation) => onChange({ rotation })}
          />
        </div>
      </TicketPart>
      {takesAfter ? (
        <p className="text-xs text-graphite">{TEXTS.itTakesTheFillAnd}</p>
      ) : (
        <Looks piece={piece} inks={inks} onChange={onChange} />
      )}
    </>
  );
}

function LetterFields({ piece, onChange }: Pick<Props, 'piece' | 'onChange'>) {
  return (
    <div className="grid grid-cols-2 gap-2">
      <label>
        <span className="mb-0.5 block text-xs text-graphite">{TEXTS.words}</span>
        <input
          value={piece.text}
          maxLength={LONGEST_TEXT}
          onChange={(event) => onChange({ text: event.target.value })}
          className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
        />
      </label>
      <label>
        <span className="mb-0.5 block text-xs text-graphite">{TEXTS.font}</span>
        <select
          value={piece.font}
          onChange={(event) => onChange({ font: FONT_IDS.find((id) => id === event.target.value) ?? piece.font })}
          className="h-8 w-full rounded-md border border-thread bg-white px-1 text-sm"
        >
          {FONT_IDS.map((id) => (
            <option key={id} value={id}>
              {FONTS[id].name}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

function MeasureField({
  measure: { key, name, unit, least, most, whole },
  value,
  onChange,
}: {
  readonly measure: Measure;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) {
  if (key === 'seed') {
    return (
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <AmountField label={name} value={value} min={least} max={most} onChange={(n) => onChange(Math.round(n))} />
        <Button onClick={() => onChange((value % most) + 1)}>{TEXTS.nextVariation}</Button>
      </div>
    );
  }
  // A line as long as the whole range would leave no room for the sizes that are used.
  const far = unit === 'mm' ? Math.min(most, Math.max(60, Math.ceil(value * 1.5))) : most;
  return (
    <SliderField
      label={name}
      sign={unit}
      value={value}
      min={least}
      max={far}
      step={whole ? 1 : unit === 'mm' ? 0.5 : 1}
      onChange={(n) => onChange(whole ? Math.round(n) : n)}
    />
  );
}

function Looks({ piece: { fill, outline }, inks, onChange }: Pick<Props, 'piece' | 'inks' | 'onChange'>) {
  const first = inks[0] ?? '#1f2430';
  return (
    <TicketPart name={TEXTS.inks}>
      <Tick
        label={TEXTS.filled}
        on={fill !== null}
        onChange={(on) => onChange({ fill: on ? { ink: first, fade: null } : null })}
      />
      {fill && (
        <>
          <InkField
            label={TEXTS.fill}
            ink={fill.ink}
            offered={inks}
            onChange={(ink) => onChange({ fill: withInk(fill, ink) })}
          />
          <FadeFields fill={fill} inks={inks} onChange={(fade) => onChange({ fill: { ...fill, fade } })} />
        </>
      )}
      <Tick
        label={TEXTS.outlined}
        on={outline !== null}
        onChange={(on) => onChange({ outline: on ? { ink: inks[1] ?? first, width: 0.6 } : null })}
      />
      {outline && (
        <>
          <InkField
            label={TEXTS.outline}
            ink={outline.ink}
            offered={inks}
            onChange={(ink) => onChange({ outline: { ...outline, ink } })}
          />
          <SliderField
            label={TEXTS.outlineWidth}
            sign="mm"
            value={outline.width}
            min={0.1}
            max={6}
            step={0.1}
            onChange={(width) => onChange({ outline: { ...outline, width } })}
          />
        </>
      )}
    </TicketPart>
  );
}
