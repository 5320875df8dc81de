import type { DesignMotif } from '../../../../contract/index.ts';
import { useState } from 'react';
import { naturalHeight } from '../../../../core/motif/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { useMotifPages } from '../../../api/motifs.ts';
import { LengthField } from '../../../ui/LengthField.tsx';
import { NameField } from '../../../ui/NameField.tsx';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useUnit } from '../../../ui/unit.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Arrivals } from '../../drawer/Arrivals.tsx';
import { BringFiles } from '../../drawer/BringFiles.tsx';
import { useMoreInSight } from '../../../ui/useMoreInSight.ts';
import { useStore } from '../../../ui/store.ts';
import { NewMotif } from '../NewMotif.tsx';
import { useMotifSteps } from '../useMotifSteps.ts';
import { TEXTS } from './texts.ts';

/** Bringing motifs in, and their names and natural sizes. */
export function MotifsTicket() {
  const editor = useEditor();
  const pages = useMotifPages({ order: 'used' });
  const more = useMoreInSight(pages);
  const { ids } = useStore(editor.selection);
  const design = useStore(editor.session, ({ committed }) => committed);
  const used = new Set(design.placements.map(({ motif }) => motif));
  const chosen = design.placements.find(({ id }) => id === ids.at(-1))?.motif;
  const [opened, setOpened] = useState<string>();
  const open = opened ?? chosen;
  const onCloth = [...used].flatMap((id) => editor.motif(id) ?? []).filter(({ deleted }) => !deleted);
  const listed = [...onCloth, ...(pages.motifs ?? []).filter(({ id }) => !used.has(id))];
  return (
    <div className="grid grid-cols-1 gap-4">
      <div className="grid gap-2">
        <div className="grid grid-cols-2 gap-2">
          <BringFiles />
          {!editor.inside && <NewMotif />}
        </div>
        <p className="text-xs text-graphite">{TEXTS.svgPNGJPEGWebPTIFF}</p>
      </div>
      <Arrivals />
      <ul aria-label={TEXTS.allMotifs} className="grid gap-1">
        {listed.map((motif) => (
          <li key={motif.id}>
            <MotifRow
              motif={motif}
              open={open === motif.id}
              onToggle={() => setOpened(open === motif.id ? '' : motif.id)}
            />
          </li>
        ))}
        {pages.hasNextPage && <li ref={more} className="h-1" />}
      </ul>
    </div>
  );
}

function MotifRow({
  motif,
  open,
  onToggle,
}: {
  readonly motif: DesignMotif;
  readonly open: boolean;
  readonly onToggle: () => void;
}) {
  const [unit] = useUnit();
  const editor = useEditor();
  const { change } = useMotifSteps(editor);
  const notifyProblem = useNotifyProblem();
  const failed = notifyProblem;
  return (
    <div className={`rounded-md border ${open ? 'border-thread bg-white' : 'border-transparent'}`}>
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="flex w-full items-center gap-2 rounded-md p-1 text-left hover:bg-linen"
      >
        <img src={blobUrl(motif.thumbnail)} alt="" loading="lazy" className="h-9 w-9 shrink-0 motif-thumb" />
        <span className="min-w-0 grow truncate text-sm">{motif.name}</span>
        <span className="shrink-0 text-xs text-graphite">{formatLength(motif.width, unit)}</span>
      </button>
      {open && (
        <div className="grid gap-2 p-2">
          <NameField
            label={TEXTS.nameOfName(motif.name)}
            name={motif.name}
            onRename={(name) => void change(motif, { name }).catch(failed)}
            className="h-8 w-full border-thread text-sm"
          />
          <div className="grid grid-cols-2 gap-2">
            <LengthField
              label={TEXTS.naturalWidth}
              mm={motif.width}
              min={0.5}
              max={5000}
              onChange={(width) => void change(motif, { width }).catch(failed)}
            />
            <LengthField
              label={TEXTS.naturalHeight}
              mm={naturalHeight(motif)}
              min={0.5}
              max={5000}
              onChange={(height) =>
                void change(motif, { width: (motif.width * height) / naturalHeight(motif) }).catch(failed)
              }
            />
          </div>
          <p className="text-xs text-graphite">{TEXTS.itsSizeChangesWhereverIt}</p>
        </div>
      )}
    </div>
  );
}
