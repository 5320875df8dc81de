import type { DesignMotif } from '../../../contract/index.ts';
import { ChevronDown, ChevronUp, Search } from 'lucide-react';
import { useEffect, useState, type PointerEvent as ReactPointerEvent } from 'react';
import { blobUrl } from '../../api/client.ts';
import { useMotifPages } from '../../api/motifs.ts';
import { useMoreInSight } from '../../ui/useMoreInSight.ts';
import { useNotify } from '../../ui/Notices.tsx';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { Button } from '../../ui/Button.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import { BringFiles } from '../drawer/BringFiles.tsx';
import { droppedFiles } from '../drawer/files.ts';
import { useImports } from '../drawer/imports.ts';
import { layInTheMiddle } from './layInTheMiddle.ts';
import { NewMotif } from './NewMotif.tsx';
import { TEXTS } from './texts.ts';
import { TrayArrival } from './TrayArrival.tsx';
import { useNewArrivals } from './useNewArrivals.ts';
import { useTrayMotifs } from './useTrayMotifs.ts';

/** A press that goes no further than this is a click, CSS pixels. */
const SLIP_PX = 4;

/** The motifs at hand, most used first: dragged onto any point of the cloth, or clicked. Files dropped here become motifs. */
export function Tray({ cloth }: { readonly cloth: ClothParts | undefined }) {
  const editor = useEditor();
  const [open, setOpen] = useState(true);
  const [words, setWords] = useState('');
  const [offered, setOffered] = useState(false);
  const { bringFiles } = useImports();
  const arrivals = useNewArrivals();
  const notify = useNotify();
  const failed = (error: unknown): void =>
    notify({ text: TEXTS.theseFilesCannotBeRead(String(error)), tone: 'problem' });
  const pages = useMotifPages({ words: words.trim(), order: 'used' });
  const more = useMoreInSight(pages);
  const { motifs } = pages;
  useEffect(() => {
    if (motifs) editor.learn('drawer', motifs);
  }, [editor, motifs]);

  const listed = useTrayMotifs(motifs, arrivals, words);

  return (
    <section
      aria-label={TEXTS.tray}
      className={`relative flex min-w-0 grow items-stretch ${offered ? 'bg-linen outline-2 -outline-offset-4 outline-ink outline-dashed' : ''}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOffered(true);
      }}
      onDragLeave={() => setOffered(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOffered(false);
        droppedFiles(event.dataTransfer).then((files) => bringFiles(files), failed);
      }}
    >
      <div className="flex w-44 shrink-0 flex-col justify-center gap-1.5 border-r border-thread px-3 py-2">
        <div className="flex items-center gap-1">
          <label className="relative min-w-0 grow">
            <Search size={14} aria-hidden className="absolute top-2.25 left-2 text-graphite" />
            <input
              aria-label={TEXTS.searchTheTray}
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className="h-8 w-full rounded-md border border-thread bg-white pr-1 pl-7 text-sm"
              placeholder={TEXTS.search}
            />
          </label>
          <Button look="quiet" label={open ? TEXTS.hideTheTray : TEXTS.showTheTray} onClick={() => setOpen(!open)}>
            {open ? <ChevronDown size={16} aria-hidden /> : <ChevronUp size={16} aria-hidden />}
          </Button>
        </div>
        {open && (
          <div className="flex gap-1 *:first:grow">
            <BringFiles />
            {!editor.inside && <NewMotif isSmall />}
          </div>
        )}
      </div>
      {open && (
        <ul
          aria-label={TEXTS.motifs}
          className="flex min-w-0 grow items-center gap-1 overflow-x-auto px-2 py-1.5"
          data-own-arrows
        >
          {arrivals.map((arrival) => (
            <TrayArrival key={arrival.id} arrival={arrival} />
          ))}
          {listed.map((motif) => (
            <TrayMotif key={motif.id} motif={motif} cloth={cloth} />
          ))}
          {pages.hasNextPage && <li ref={more} className="h-1 w-1 shrink-0" />}
          {pages.isError && <li className="px-3 text-sm text-madder">{pages.error.message}</li>}
          {motifs && listed.length === 0 && (
            <li className="px-3 text-sm text-graphite">
              {words ? TEXTS.noMotifMatchesWords(words) : TEXTS.noMotifsYetDropFiles}
            </li>
          )}
        </ul>
      )}
    </section>
  );
}

function TrayMotif({ motif, cloth }: { readonly motif: DesignMotif; readonly cloth: ClothParts | undefined }) {
  const editor = useEditor();
  const [ghost, setGhost] = useState<{ x: number; y: number }>();

  const press = (event: ReactPointerEvent<HTMLButtonElement>): void => {
    if (event.button !== 0 || !cloth) return;
    const from = { x: event.clientX, y: event.clientY };
    const button = event.currentTarget;
    let carried: ReturnType<ClothParts['controller']['carry']> | undefined;
    const stop = new AbortController();
    button.setPointerCapture(event.pointerId);
    const move = (moved: PointerEvent): void => {
      if (!carried && Math.hypot(moved.clientX - from.x, moved.clientY - from.y) < SLIP_PX) return;
      let isOver = false;
      carried ??= cloth.controller.carry(motif, (over) => (isOver = over));
      carried.move(moved);
      setGhost(isOver ? undefined : { x: moved.clientX, y: moved.clientY });
    };
    const end = (kept: boolean): void => {
      stop.abort();
      setGhost(undefined);
      if (kept) carried?.end();
      else carried?.cancel();
    };
    button.addEventListener('pointermove', move, { signal: stop.signal });
    button.addEventListener('pointerup', () => end(true), { signal: stop.signal });
    button.addEventListener('pointercancel', () => end(false), { signal: stop.signal });
    // A drag ends in a click as well, which must not lay a second motif.
    button.addEventListener('click', (clicked) => carried && clicked.stopImmediatePropagation(), {
      capture: true,
      once: true,
    });
  };

  const picture = blobUrl(motif.thumbnail);
  return (
    <li className="shrink-0">
      <button
        type="button"
        title={TEXTS.nameDragItOntoThe(motif.name)}
        data-motif={motif.id}
        onPointerDown={press}
        onClick={() => cloth && layInTheMiddle(editor, cloth, motif)}
        onDragStart={(event) => event.preventDefault()}
        className="grid h-19 w-19 touch-none grid-rows-[1fr_auto] justify-items-center rounded-md p-1 hover:bg-linen"
      >
        <img src={picture} alt="" draggable={false} loading="lazy" className="h-12 w-14 motif-thumb" />
        <span className="w-full truncate text-center text-xs">{motif.name}</span>
      </button>
      {ghost && (
        <img
          src={picture}
          alt=""
          className="pointer-events-none fixed z-40 h-16 w-16 -translate-x-1/2 -translate-y-1/2 motif-thumb opacity-80"
          style={{ left: ghost.x, top: ghost.y }}
        />
      )}
    </li>
  );
}
