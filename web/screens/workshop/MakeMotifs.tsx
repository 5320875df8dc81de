import type { Scan } from '../../../contract/index.ts';
import { useState } from 'react';
import { type JobWatch } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';

interface MakeMotifsProps {
  readonly sheet: Scan;
  readonly count: number;
  readonly replace: string | undefined;
  readonly watch: JobWatch;
  readonly begin: (name: string, collection: string, isLaidOut: boolean) => void;
}

/** The end of it: names, and the button that makes the motifs at full size. */
export function MakeMotifs({ sheet, count, replace, watch, begin }: MakeMotifsProps) {
  const [name, setName] = useState(sheet.name.replace(/, \d+ dpi$/, ''));
  const [collection, setCollection] = useState(TEXTS.scans);
  const [isLaidOut, setLaidOut] = useState(false);
  const canLayOut = !replace && count > 1;
  return (
    <div className="grid shrink-0 gap-2 border-t border-thread bg-calico p-4">
      {!replace && (
        <div className="grid grid-cols-2 gap-2">
          <label>
            <span className="mb-0.5 block text-xs text-graphite">
              {count === 1 ? TEXTS.name : TEXTS.namesBeginWith}
            </span>
            <input
              value={name}
              maxLength={112}
              onChange={(event) => setName(event.target.value)}
              className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
            />
          </label>
          <label>
            <span className="mb-0.5 block text-xs text-graphite">{TEXTS.collection}</span>
            <input
              value={collection}
              maxLength={120}
              onChange={(event) => setCollection(event.target.value)}
              className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
            />
          </label>
        </div>
      )}
      {canLayOut && <Tick label={TEXTS.layOutAsOnThePage} on={isLaidOut} onChange={setLaidOut} />}
      <JobProgress watch={watch} doing={TEXTS.cleaningAtFullSize} />
      {!watch.running && (
        <Button
          look="accent"
          disabled={count === 0 || name.trim() === '' || collection.trim() === ''}
          onClick={() => begin(name.trim(), collection.trim(), canLayOut && isLaidOut)}
        >
          {replace ? TEXTS.changeTheMotif : count === 1 ? TEXTS.makeAMotif : TEXTS.makeCountMotifs(count)}
        </Button>
      )}
    </div>
  );
}
