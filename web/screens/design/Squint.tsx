import { useState } from 'react';
import { useScreenScale } from '../../ui/screenScale.ts';
import { Overlay } from '../../ui/Overlay.tsx';
import { useStore } from '../../ui/store.ts';
import { LiveCloth, type Look } from './alternatives/LiveCloth.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** A screen is looked at from here, metres; from twice as far all looks half as large. */
const ARM = 0.5;

const VIEWS: readonly { readonly name: string; readonly metres: number; readonly blur: number }[] = [
  { name: TEXTS.sharpFromHalfAMetre, metres: ARM, blur: 0 },
  { name: TEXTS.squintingFromHalfAMetre, metres: ARM, blur: 7 },
  { name: TEXTS.from1Metre, metres: 1, blur: 0 },
  { name: TEXTS.from2Metres, metres: 2, blur: 0 },
  { name: TEXTS.from4Metres, metres: 4, blur: 0 },
  { name: TEXTS.squintingFrom2Metres, metres: 2, blur: 4 },
];

/** The cloth as the eye finds its holes and lanes: blurred, and from farther away, beside the sharp one. */
export function Squint({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { pxPerMm } = useScreenScale();
  const design = useStore(editor.session, ({ committed }) => committed);
  const [at, setAt] = useState(() => ({ x: design.repeat.width, y: design.repeat.height }));
  return (
    <Overlay label={TEXTS.squint} title={TEXTS.squint} note={TEXTS.whatStandsOutNowIs} onClose={onClose}>
      <div className="grid min-h-0 grow grid-cols-3 grid-rows-2 gap-3 p-3">
        {VIEWS.map(({ name, metres, blur }) => {
          const scale = (pxPerMm * ARM) / metres;
          // Zooming would be another distance, so only the place is taken over.
          const move = (look: Look): void => {
            if (look.scale === scale) setAt(look.at);
          };
          return (
            <figure
              key={name}
              aria-label={name}
              className="flex min-h-0 min-w-0 flex-col overflow-hidden rounded-md border border-thread bg-white"
            >
              <div
                className="relative min-h-0 grow overflow-hidden"
                style={blur > 0 ? { filter: `blur(${blur}px)` } : undefined}
              >
                <LiveCloth design={design} look={{ at, scale }} onLook={move} />
              </div>
              <figcaption className="shrink-0 border-t border-thread px-3 py-1.5 text-sm">{name}</figcaption>
            </figure>
          );
        })}
      </div>
    </Overlay>
  );
}
