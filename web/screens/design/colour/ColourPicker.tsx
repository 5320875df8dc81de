import { Pipette } from 'lucide-react';
import { useState } from 'react';
import {
  COLOUR_NOTATIONS,
  type ColourNotation,
  type Hex,
  hexOfOklch,
  isInSrgb,
  type Oklch,
  oklchOf,
  ramp,
  RAMPS,
  readColour,
  writeColour,
} from '../../../../core/colour/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { Dropper } from '../../../ui/Dropper.tsx';
import { useStore } from '../../../ui/store.ts';
import { ColourScale } from './ColourScale.tsx';
import { recentColours } from './recentColours.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly colour: Hex;
  /** Colours that are at hand, such as those of the other inks. */
  readonly used: readonly Hex[];
  /** Shows a colour while the hand moves. */
  readonly onShow: (colour: Hex) => void;
  readonly onTake: (colour: Hex) => void;
  /** What else a colour of a ramp can become; where there is nothing else, it is taken. */
  readonly others?: readonly RampUse[];
}

/** Something that a colour of a ramp is made. */
export interface RampUse {
  readonly name: string;
  readonly take: (colour: Hex) => void;
}

/** More chroma than sRGB has anywhere. */
const MOST_CHROMA = 0.34;
const RAMP_EACH = 3;

/** Finds a colour by lightness, chroma and hue, by typing it in any notation, along a ramp, or among those at hand. */
export function ColourPicker({ colour, used, onShow, onTake, others = [] }: Props) {
  // Kept while the hand moves, since a grey has no hue and what sRGB lacks would be lost.
  const [wished, setWished] = useState<{ readonly of: Hex; readonly oklch: Oklch }>();
  const [notation, setNotation] = useState<ColourNotation>('hex');
  const [typed, setTyped] = useState<string>();
  const [picking, setPicking] = useState(false);
  const recent = useStore(recentColours);
  const [use, setUse] = useState<string>(TEXTS.thisInk);
  const oklch = wished?.of === colour ? wished.oklch : oklchOf(colour);
  const { l, c, h } = oklch;
  const wish = (change: Partial<Oklch>): void => {
    const next = { ...oklch, ...change };
    const hex = hexOfOklch(next);
    setWished({ of: hex, oklch: next });
    onShow(hex);
  };
  const read = typed === undefined ? undefined : readColour(typed);
  const takeTyped = (): void => {
    if (read && read.hex !== colour) onTake(read.hex);
    setTyped(undefined);
  };
  return (
    <div className="grid gap-2.5" data-own-arrows>
      <ColourScale
        label={TEXTS.lightness}
        value={l}
        max={1}
        step={0.005}
        shown={String(Math.round(100 * l))}
        colourAt={(at) => hexOfOklch({ l: at, c, h })}
        isShown={(at) => isInSrgb({ l: at, c, h })}
        onChange={(next) => wish({ l: next })}
      />
      <ColourScale
        label={TEXTS.chroma}
        value={c}
        max={MOST_CHROMA}
        step={0.002}
        shown={c.toFixed(3)}
        colourAt={(at) => hexOfOklch({ l, c: at, h })}
        isShown={(at) => isInSrgb({ l, c: at, h })}
        onChange={(next) => wish({ c: next })}
      />
      <ColourScale
        label={TEXTS.hue}
        value={h}
        max={360}
        step={1}
        shown={`${Math.round(h)}°`}
        colourAt={(at) => hexOfOklch({ l: Math.min(0.85, Math.max(0.45, l)), c: Math.max(0.08, c), h: at })}
        isShown={(at) => isInSrgb({ l, c, h: at })}
        onChange={(next) => wish({ h: next })}
      />
      {(!isInSrgb(oklch) || read?.isOutside === true) && <p className="text-xs text-graphite">{TEXTS.outside}</p>}
      <div className="grid grid-cols-[5.6rem_minmax(0,1fr)_auto] gap-2">
        <select
          aria-label={TEXTS.notation}
          value={notation}
          // The options are the notations.
          onChange={(event) => setNotation(event.target.value as ColourNotation)}
          className="h-8 rounded-md border border-thread bg-white px-1 text-xs"
        >
          {COLOUR_NOTATIONS.map((one) => (
            <option key={one} value={one}>
              {TEXTS.notationName(one)}
            </option>
          ))}
        </select>
        <input
          aria-label={TEXTS.notationName(notation)}
          aria-invalid={typed !== undefined && !read}
          value={typed ?? writeColour(colour, notation)}
          spellCheck={false}
          maxLength={80}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={takeTyped}
          onKeyDown={(event) => {
            if (event.key === 'Enter') {
              event.preventDefault();
              takeTyped();
            }
            if (event.key === 'Escape') setTyped(undefined);
          }}
          className={`h-8 min-w-0 rounded-md border bg-white px-1.5 text-xs ${typed !== undefined && !read ? 'border-madder' : 'border-thread'}`}
        />
        <Button label={TEXTS.pickAColour} onClick={() => setPicking(true)}>
          <Pipette size={15} aria-hidden />
        </Button>
        {picking && <Dropper onTake={onTake} onClose={() => setPicking(false)} />}
      </div>
      {others.length > 0 && (
        <Choice
          label={TEXTS.rampBecomes}
          captioned
          value={use}
          options={[TEXTS.thisInk, ...others.map(({ name }) => name)].map((name) => ({ value: name, name }))}
          onChange={setUse}
        />
      )}
      {RAMPS.map((kind) => (
        <Swatches
          key={kind}
          label={TEXTS.rampName(kind)}
          colours={ramp(colour, kind, RAMP_EACH)}
          onTake={others.find(({ name }) => name === use)?.take ?? onTake}
        />
      ))}
      {recent.length > 0 && <Swatches label={TEXTS.recent} colours={recent} onTake={onTake} />}
      {used.length > 0 && <Swatches label={TEXTS.usedInks} colours={used} onTake={onTake} />}
    </div>
  );
}

interface SwatchesProps {
  readonly label: string;
  readonly colours: readonly Hex[];
  readonly onTake: (colour: Hex) => void;
}

/** Colours in a row, each taken by a click. */
function Swatches({ label, colours, onTake }: SwatchesProps) {
  return (
    <div>
      <span aria-hidden className="block text-xs text-graphite">
        {label}
      </span>
      <div role="group" aria-label={label} className="mt-0.5 flex flex-wrap gap-1">
        {[...new Set(colours)].map((colour) => (
          <button
            key={colour}
            type="button"
            title={colour.toUpperCase()}
            aria-label={colour}
            onClick={() => onTake(colour)}
            className="h-7 min-w-7 grow rounded-sm border border-ink/20"
            style={{ background: colour }}
          />
        ))}
      </div>
    </div>
  );
}
