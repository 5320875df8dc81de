import { Check, CircleAlert, X } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { areMany, counts, groupedNotes, inOrder } from './arrivalGroups.ts';
import { type Arrival, useImports } from './imports.ts';
import { MissingFonts } from './MissingFonts.tsx';
import { TEXTS } from './texts.ts';

/** The files in hand, each with how far it is and what became of it; what is true of many is said once. */
export function Arrivals() {
  const { arrivals, clear } = useImports();
  if (arrivals.length === 0) return null;
  const many = areMany(arrivals);
  return (
    <section aria-label={TEXTS.importedFiles} className="grid grid-cols-1 gap-1.5">
      {arrivals.length > 1 && <Summary arrivals={arrivals} />}
      <MissingFonts arrivals={arrivals} />
      {many && <Grouped arrivals={arrivals} />}
      <ul className={`grid grid-cols-1 gap-1.5 ${many ? 'max-h-72 overflow-y-auto' : ''}`}>
        {(many ? inOrder(arrivals) : arrivals).map((arrival) => (
          <li key={arrival.id}>
            <ArrivalRow arrival={arrival} isBrief={many} />
          </li>
        ))}
      </ul>
      <Button look="quiet" onClick={clear}>
        {TEXTS.clearThisList}
      </Button>
    </section>
  );
}

function Summary({ arrivals }: { readonly arrivals: readonly Arrival[] }) {
  const { here, refused, coming } = counts(arrivals);
  return (
    <p role="status" className="text-sm font-medium">
      {TEXTS.countsOfFiles(here, refused, coming)}
    </p>
  );
}

function Grouped({ arrivals }: { readonly arrivals: readonly Arrival[] }) {
  return groupedNotes(arrivals).map(({ note, names }) => (
    <p key={note} className="text-xs text-graphite" title={names.join('\n')}>
      {TEXTS.noteOfFiles(note, names.length)}
    </p>
  ));
}

/** @param isBrief what is said of files that came is said above, for all of them */
function ArrivalRow({
  arrival: { name, progress, state, notes, stop },
  isBrief,
}: {
  readonly arrival: Arrival;
  readonly isBrief: boolean;
}) {
  return (
    <div className="rounded-md border border-thread bg-white p-2 text-sm" data-arrival={state}>
      <div className="flex items-center gap-2">
        {state === 'here' && <Check size={15} aria-label={TEXTS.imported} className="shrink-0 text-fine" />}
        {state === 'refused' && <CircleAlert size={15} aria-label={TEXTS.refused} className="shrink-0 text-madder" />}
        <span className="min-w-0 grow truncate" title={name}>
          {name}
        </span>
        {(state === 'waiting' || state === 'coming') && (
          <Button look="quiet" label={TEXTS.stopName(name)} onClick={stop}>
            <X size={14} aria-hidden />
          </Button>
        )}
      </div>
      {state === 'coming' && (
        <progress
          aria-label={TEXTS.progressOfName(name)}
          value={progress < 1 ? progress : undefined}
          className="mt-1 h-1 w-full"
        />
      )}
      {(state === 'refused' || !isBrief) &&
        notes.map((note) => (
          <p key={note} className={`mt-1 text-xs ${state === 'refused' ? 'text-madder' : 'text-graphite'}`}>
            {note}
          </p>
        ))}
    </div>
  );
}
