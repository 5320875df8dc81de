import { Check, CircleAlert, X } from 'lucide-react';
import { useState } from 'react';
import { formatLength } from '../../../core/units/length.ts';
import { naturalHeight } from '../../../core/motif/motif.ts';
import { blobUrl } from '../../api/client.ts';
import { useChangeMotif, type DrawerMotif } from '../../api/motifs.ts';
import { Button } from '../../shared/Button.tsx';
import { LengthField } from '../../shared/LengthField.tsx';
import { NameField } from '../../shared/NameField.tsx';
import { useNotify } from '../../shared/Notices.tsx';
import { useUnit } from '../../shared/unit.ts';
import { useBench } from '../bench.ts';
import { useImports, type Arrival } from '../imports.ts';
import { useStore } from '../store.ts';
import { BringFiles } from '../Tray.tsx';

/** Bringing motifs in, and their names and natural sizes. */
export function MotifsTicket() {
  const bench = useBench();
  const motifs = useStore(bench.motifs);
  const { arrivals, clear } = useImports();
  const { ids } = useStore(bench.selection);
  const { design } = useStore(bench.session);
  const used = new Set(design.placements.map(({ motif }) => motif));
  const chosen = design.placements.find(({ id }) => id === ids.at(-1))?.motif;
  const [opened, setOpened] = useState<string>();
  const open = opened ?? chosen;
  const listed = [...motifs].sort((a, b) => Number(used.has(b.id)) - Number(used.has(a.id)));
  return (
    <div className="grid gap-4">
      <div className="grid gap-2">
        <BringFiles />
        <p className="text-xs text-graphite">SVG, PNG, JPEG or WebP, up to 40 MB each. They can be dropped on the tray as well.</p>
      </div>
      {arrivals.length > 0 && (
        <section aria-label="Files brought" className="grid gap-1.5">
          {arrivals.map((arrival) => (
            <ArrivalRow key={arrival.id} arrival={arrival} />
          ))}
          <Button look="quiet" onClick={clear}>
            Clear this list
          </Button>
        </section>
      )}
      <ul aria-label="All motifs" className="grid gap-1">
        {listed.map((motif) => (
          <li key={motif.id}>
            <MotifRow motif={motif} open={open === motif.id} onToggle={() => setOpened(open === motif.id ? '' : motif.id)} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function ArrivalRow({ arrival: { name, progress, state, notes, stop } }: { readonly arrival: Arrival }) {
  return (
    <div className="rounded-md border border-thread bg-white p-2 text-sm" data-arrival={state}>
      <div className="flex items-center gap-2">
        {state === 'here' && <Check size={15} aria-label="Brought in" className="shrink-0 text-fine" />}
        {state === 'refused' && <CircleAlert size={15} aria-label="Refused" className="shrink-0 text-madder" />}
        <span className="min-w-0 grow truncate" title={name}>
          {name}
        </span>
        {(state === 'waiting' || state === 'coming') && (
          <Button look="quiet" label={`Stop ${name}`} onClick={stop}>
            <X size={14} aria-hidden />
          </Button>
        )}
      </div>
      {state === 'coming' && <progress aria-label={`Progress of ${name}`} value={progress < 1 ? progress : undefined} className="mt-1 h-1 w-full accent-ink" />}
      {notes.map((note) => (
        <p key={note} className={`mt-1 text-xs ${state === 'refused' ? 'text-madder' : 'text-graphite'}`}>
          {note}
        </p>
      ))}
    </div>
  );
}

function MotifRow({ motif, open, onToggle }: { readonly motif: DrawerMotif; readonly open: boolean; readonly onToggle: () => void }) {
  const [unit] = useUnit();
  const change = useChangeMotif();
  const notify = useNotify();
  const failed = (error: Error): void => notify({ text: error.message, tone: 'problem' });
  return (
    <div className={`rounded-md border ${open ? 'border-thread bg-white' : 'border-transparent'}`}>
      <button type="button" aria-expanded={open} onClick={onToggle} className="flex w-full items-center gap-2 rounded-md p-1 text-left hover:bg-linen">
        <img src={blobUrl(motif.thumbnail)} alt="" loading="lazy" className="h-9 w-9 shrink-0 object-contain" />
        <span className="min-w-0 grow truncate text-sm">{motif.name}</span>
        <span className="shrink-0 text-xs text-graphite">{formatLength(motif.width, unit)}</span>
      </button>
      {open && (
        <div className="grid gap-2 p-2">
          <NameField label={`Name of ${motif.name}`} name={motif.name} onRename={(name) => change.mutate({ id: motif.id, name }, { onError: failed })} className="h-8 w-full border-thread text-sm" />
          <div className="grid grid-cols-2 gap-2">
            <LengthField label="Natural width" mm={motif.width} min={0.5} max={5000} onChange={(width) => change.mutate({ id: motif.id, width }, { onError: failed })} />
            <LengthField
              label="Natural height"
              mm={naturalHeight(motif)}
              min={0.5}
              max={5000}
              onChange={(height) => change.mutate({ id: motif.id, width: (motif.width * height) / naturalHeight(motif) }, { onError: failed })}
            />
          </div>
          <p className="text-xs text-graphite">Its size changes wherever it is used, in every design.</p>
        </div>
      )}
    </div>
  );
}
