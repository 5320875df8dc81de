import { useState } from 'react';
import { type Hex, readHex } from '../../core/colour/index.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly label: string;
  readonly ink: Hex;
  /** Inks of the drawer's motifs, offered first, so that a design stays with its own. */
  readonly offered: readonly Hex[];
  /** In which colour an ink is seen now, where that is another than its own. */
  readonly seenAs?: (ink: Hex) => Hex;
  readonly onChange: (ink: Hex) => void;
}

const ITSELF = (ink: Hex): Hex => ink;

/** An ink: one of those in use, or typed. */
export function InkField({ label, ink, offered, seenAs = ITSELF, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    const hex = typed === undefined ? undefined : readHex(typed);
    if (hex && hex !== ink) onChange(hex);
    setTyped(undefined);
  };
  return (
    <div>
      <span className="mb-0.5 block text-xs text-graphite">{label}</span>
      <div className="flex flex-wrap items-center gap-1">
        {[...new Set([ink, ...offered])].slice(0, 12).map((one) => (
          <button
            key={one}
            type="button"
            aria-label={`${label} ${one}`}
            aria-pressed={one === ink}
            title={one}
            onClick={() => onChange(one)}
            className="h-6 w-6 rounded-full border border-ink/25 aria-pressed:ring-2 aria-pressed:ring-ink aria-pressed:ring-offset-1"
            style={{ background: seenAs(one) }}
          />
        ))}
        <input
          aria-label={TEXTS.labelTyped(label)}
          value={typed ?? ink}
          maxLength={9}
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => event.key === 'Enter' && take()}
          className="h-7 w-20 rounded-md border border-thread bg-white px-1.5 text-xs"
        />
      </div>
    </div>
  );
}
