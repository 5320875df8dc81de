import type { LiftedColour } from '../../core/shelf/index.ts';
import { TEXTS } from './texts.ts';

/** The colours of a picture side by side, each as wide as its share. */
export function PaletteStrip({ palette }: { readonly palette: readonly LiftedColour[] }) {
  return (
    <div className="flex h-9 overflow-hidden rounded-sm border border-ink/20">
      {palette.map(({ colour, share }) => {
        const label = TEXTS.shareOfColour(colour.toUpperCase(), (100 * share).toFixed(1));
        return (
          <span
            key={colour}
            role="img"
            title={label}
            aria-label={label}
            className="min-w-1"
            style={{ background: colour, flexGrow: share, flexBasis: 0 }}
          />
        );
      })}
    </div>
  );
}
