import { useState } from 'react';
import type { FineDetail } from '../../../../core/check/index.ts';
import type { Design } from '../../../../core/document/index.ts';
import { messageOf } from '../../../../core/problem/index.ts';
import { formatLength, formatNumber, parseAmount } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useUnit } from '../../../ui/unit.ts';
import { TEXTS } from './texts.ts';

/** What was found, in which design, for which print. */
interface Found {
  readonly design: Design;
  readonly dpi: number;
  readonly details: readonly FineDetail[];
}

/** Looks for lines that a print cannot hold; what has them is selected by a click. */
export function FineDetailPart() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const motifs = useStore(editor.motifs);
  const [unit] = useUnit();
  const [dpi, setDpi] = useState(150);
  const [found, setFound] = useState<Found>();
  const [isLooking, setLooking] = useState(false);
  const [problem, setProblem] = useState<string>();
  const look = (): void => {
    setLooking(true);
    setProblem(undefined);
    editor.tossing.tosser
      .run(design, motifs, { kind: 'fine', dpi })
      .done.then(
        (details) => setFound({ design, dpi, details }),
        (error: unknown) => setProblem(messageOf(error)),
      )
      .finally(() => setLooking(false));
  };
  // What was found in the design as it was says nothing of what it is now.
  const now = found?.design === design && found.dpi === dpi ? found : undefined;
  const byMotif = new Map<string, FineDetail[]>();
  for (const detail of now?.details ?? []) byMotif.set(detail.motif, [...(byMotif.get(detail.motif) ?? []), detail]);
  return (
    <>
      <p className="text-xs text-graphite">{TEXTS.fineDetailNote}</p>
      <div className="grid grid-cols-[6rem_minmax(0,1fr)] items-end gap-2">
        <QuantityField
          label={TEXTS.dotsPerInch}
          shown={formatNumber(dpi)}
          value={dpi}
          step={10}
          read={(text) => parseAmount(text, { sign: '', current: dpi, min: 30, max: 1200 })}
          onChange={setDpi}
        />
        <Button disabled={isLooking} onClick={look}>
          {isLooking ? TEXTS.looking : TEXTS.lookForFineDetail}
        </Button>
      </div>
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
      {now?.details.length === 0 && <p className="text-sm">{TEXTS.noFineDetail(formatNumber(dpi))}</p>}
      <ul aria-label={TEXTS.fineDetail} className="grid max-h-52 gap-1 overflow-y-auto">
        {[...byMotif].map(([motif, details]) => (
          <li key={motif}>
            <button
              type="button"
              onClick={() => editor.select(details.map(({ id }) => id))}
              className="grid w-full rounded-md px-2 py-1 text-left text-sm hover:bg-linen"
            >
              <span className="truncate">
                {TEXTS.fineMotifs(editor.motif(motif)?.name ?? TEXTS.motif, details.length)}
              </span>
              <span className="text-xs text-graphite">
                {TEXTS.underTwoDots(formatLength(details[0]?.mm ?? 0, unit), formatNumber(dpi))}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
