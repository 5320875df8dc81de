import { Type } from 'lucide-react';
import { useFontImport } from '../../api/fonts.ts';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { type MissingFont, missingFonts } from './arrivalGroups.ts';
import { FontButton } from './FontButton.tsx';
import { type Arrival, useImports } from './imports.ts';
import { TEXTS } from './texts.ts';

/** The fonts that imported drawings ask for and the studio has not got, each to be added there and then. */
export function MissingFonts({ arrivals }: { readonly arrivals: readonly Arrival[] }) {
  const adding = useFontImport();
  const { readAgain } = useImports();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const add = async ({ asked, standIn, motifs }: MissingFont, file: File): Promise<void> => {
    const { family } = await adding.mutateAsync(file);
    if (family.toLowerCase() === asked.toLowerCase()) await readAgain(motifs);
    else notify({ text: TEXTS.fontOfAnotherName(family, asked, standIn) });
  };
  return missingFonts(arrivals).map((missing) => (
    <div key={missing.asked} className="grid grid-cols-1 gap-1.5 rounded-md border border-thread bg-linen p-2 text-xs">
      <p className="flex gap-1.5">
        <Type size={14} aria-hidden className="mt-px shrink-0" />
        {TEXTS.fontIsMissing(missing.asked, missing.standIn, missing.motifs.length)}
      </p>
      <div>
        <FontButton
          label={TEXTS.addTheFont}
          onFile={(file) => {
            add(missing, file).catch(notifyProblem);
          }}
        />
      </div>
    </div>
  ));
}
