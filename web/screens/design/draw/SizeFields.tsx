import { AmountField } from '../../../ui/AmountField.tsx';
import { TEXTS } from './texts.ts';

interface Sizes {
  /** As factors on the natural size. */
  readonly smallest: number;
  readonly largest: number;
}

/** Between which sizes motifs are laid; one that is moved past the other takes it along. */
export function SizeFields({ smallest, largest, onChange }: Sizes & { readonly onChange: (sizes: Sizes) => void }) {
  const range = { sign: '%', min: 2, max: 2000, step: 5 } as const;
  return (
    <>
      <AmountField
        label={TEXTS.smallest}
        {...range}
        value={Math.round(100 * smallest)}
        onChange={(percent) => onChange({ smallest: percent / 100, largest: Math.max(largest, percent / 100) })}
      />
      <AmountField
        label={TEXTS.largest}
        {...range}
        value={Math.round(100 * largest)}
        onChange={(percent) => onChange({ largest: percent / 100, smallest: Math.min(smallest, percent / 100) })}
      />
    </>
  );
}
