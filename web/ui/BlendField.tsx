import { type Blend, BLENDS } from '../../core/document/index.ts';
import { TEXTS } from './texts.ts';

const NAMES: Readonly<Record<Blend, string>> = {
  normal: TEXTS.normal,
  multiply: TEXTS.multiply,
  screen: TEXTS.screen,
  darken: TEXTS.darken,
  lighten: TEXTS.lighten,
  overlay: TEXTS.overlay,
  'soft-light': TEXTS.softLight,
  'hard-light': TEXTS.hardLight,
  difference: TEXTS.difference,
  exclusion: TEXTS.exclusion,
};

interface Props {
  readonly label: string;
  /** Undefined where several things differ. */
  readonly value: Blend | undefined;
  readonly hideLabel?: boolean;
  readonly onChange: (blend: Blend) => void;
}

/** How colours meet those below. */
export function BlendField({ label, value, hideLabel = false, onChange }: Props) {
  return (
    <label className="min-w-0">
      <span className={hideLabel ? 'sr-only' : 'mb-0.5 block text-xs text-graphite'}>{label}</span>
      <select
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value as Blend)}
        className="h-8 w-full min-w-0 rounded-md border border-thread bg-white px-1.5 text-sm"
      >
        {value === undefined && <option value="">{TEXTS.mixed}</option>}
        {BLENDS.map((blend) => (
          <option key={blend} value={blend}>
            {NAMES[blend]}
          </option>
        ))}
      </select>
    </label>
  );
}
