import { Check, CircleAlert, X } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { useImports, type Arrival } from './imports.ts';
import { TEXTS } from './texts.ts';

/** The files in hand, each with how far it is and what became of it. */
export function Arrivals() {
  const { arrivals, clear } = useImports();
  if (arrivals.length === 0) return null;
  return (
    <section aria-label={TEXTS.importedFiles} className="grid gap-1.5">
      {arrivals.map((arrival) => (
        <ArrivalRow key={arrival.id} arrival={arrival} />
      ))}
      <Button look="quiet" onClick={clear}>
        {TEXTS.clearThisList}
      </Button>
    </section>
  );
}

function ArrivalRow({ arrival: { name, progress, state, notes, stop } }: { readonly arrival: Arrival }) {
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
          className="mt-1 h-1 w-full accent-ink"
        />
      )}
      {notes.map((note) => (
        <p key={note} className={`mt-1 text-xs ${state === 'refused' ? 'text-madder' : 'text-graphite'}`}>
          {note}
        </p>
      ))}
    </div>
  );
}
