import { ORDERS, type ListedMotif, type MotifOrder } from '../../../contract/index.ts';
import { useVirtualizer } from '@tanstack/react-virtual';
import { FolderDown, Search, Shapes } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { formatLength } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { collectionFileUrl, useCollections, useMotifPages, useMotifsById } from '../../api/motifs.ts';
import { useNotify } from '../../ui/Notices.tsx';
import { useMoreInSight } from '../../ui/useMoreInSight.ts';
import { Masthead } from '../../ui/Masthead.tsx';
import { useUnit } from '../../ui/unit.ts';
import { Arrivals } from './Arrivals.tsx';
import { BringFiles } from './BringFiles.tsx';
import { droppedFiles } from './files.ts';
import { Fonts } from './Fonts.tsx';
import { useImports } from './imports.ts';
import { MotifTicket } from './MotifTicket.tsx';
import { SeveralTicket } from './SeveralTicket.tsx';
import { TEXTS } from './texts.ts';

const ORDER_NAMES: Readonly<Record<MotifOrder, string>> = {
  newest: TEXTS.newestFirst,
  name: TEXTS.byName,
  used: TEXTS.mostUsedFirst,
  size: TEXTS.largestFirst,
};

/** Least width of a card; the row's width is shared out. */
const CARD_WIDTH = 140;
const CARD_HEIGHT = 176;
/** Left and right of the cards. */
const MARGIN = 20;

/** The motif drawer: everything the studio has drawn or brought, by collection. */
export function MotifDrawer() {
  const [words, setWords] = useState('');
  const [collection, setCollection] = useState<string>();
  const [order, setOrder] = useState<MotifOrder>('newest');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const { bringFiles } = useImports();
  const notify = useNotify();
  const pages = useMotifPages({ words: words.trim(), collection, order });
  const collections = useCollections();
  const listed = pages.motifs ?? [];
  // Those selected are asked for by themselves: they may lie on no page that was looked at.
  const shown = useMotifsById(chosen).filter(({ deleted }) => !deleted);
  const count = collections.data?.reduce((sum, one) => sum + one.count, 0) ?? 0;
  const [only] = shown;
  const choose = (id: string, more: boolean): void =>
    setChosen(!more ? [id] : chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const close = (): void => setChosen([]);
  return (
    <div
      className="flex h-full flex-col"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        droppedFiles(event.dataTransfer).then(
          (files) => bringFiles(files, collection === undefined ? {} : { collection }),
          (error: unknown) => notify({ text: TEXTS.theseFilesCannotBeRead(String(error)), tone: 'problem' }),
        );
      }}
    >
      <Masthead>
        <BringFiles collection={collection} />
        <Link
          to="/build"
          className="inline-flex h-8 items-center gap-1.5 rounded-md border border-thread bg-white px-3 text-sm font-medium hover:border-graphite"
        >
          <Shapes size={15} aria-hidden /> {TEXTS.buildAMotif}
        </Link>
      </Masthead>
      <div className="flex min-h-0 grow">
        <aside
          aria-label={TEXTS.collections}
          className="w-52 shrink-0 overflow-y-auto border-r border-thread px-4 py-6"
        >
          <h1 className="mb-3 font-name text-2xl font-semibold">{TEXTS.motifDrawer}</h1>
          <ul className="grid gap-0.5">
            {[{ name: undefined, count }, ...(collections.data ?? [])].map(({ name, count }) => (
              <li key={name ?? ''}>
                <button
                  type="button"
                  aria-pressed={collection === name}
                  onClick={() => setCollection(name)}
                  className={`flex w-full items-baseline gap-2 rounded-md px-2 py-1.5 text-left text-sm ${collection === name ? 'bg-linen font-semibold' : 'hover:bg-linen/60'}`}
                >
                  <span className="min-w-0 grow truncate">{name ?? TEXTS.all}</span>
                  <span className="text-xs font-normal text-graphite">{count}</span>
                </button>
              </li>
            ))}
          </ul>
          {collection !== undefined && (
            <a
              href={collectionFileUrl(collection)}
              download
              className="mt-3 flex h-8 items-center gap-1.5 rounded-md px-2 text-sm hover:bg-linen"
              title={TEXTS.aZIPWithAList}
            >
              <FolderDown size={15} aria-hidden /> {TEXTS.writeCollectionToAFile(collection)}
            </a>
          )}
          <div className="mt-5 grid grid-cols-1 gap-5">
            <Arrivals />
            <Fonts />
          </div>
        </aside>
        <main className="flex min-w-0 grow flex-col">
          <div className="flex shrink-0 items-center gap-3 px-6 pt-6 pb-3">
            <label className="relative w-72">
              <Search size={14} aria-hidden className="absolute top-2.25 left-2 text-graphite" />
              <input
                aria-label={TEXTS.searchTheDrawer}
                value={words}
                onChange={(event) => setWords(event.target.value)}
                placeholder={TEXTS.searchNamesCollectionsTags}
                className="h-8 w-full rounded-md border border-thread bg-white pr-2 pl-7 text-sm"
              />
            </label>
            <select
              aria-label={TEXTS.order}
              value={order}
              onChange={(event) => setOrder(ORDERS.find((one) => one === event.target.value) ?? 'newest')}
              className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
            >
              {ORDERS.map((one) => (
                <option key={one} value={one}>
                  {ORDER_NAMES[one]}
                </option>
              ))}
            </select>
            <span className="text-sm text-graphite" role="status">
              {pages.total === 1 ? '1 motif' : TEXTS.totalMotifs(pages.total)}
            </span>
          </div>
          {pages.isError && (
            <p role="alert" className="px-6 text-madder">
              {pages.error.message}
            </p>
          )}
          {pages.motifs && listed.length === 0 && (
            <p className="max-w-md px-6 text-sm">
              {words ? TEXTS.noMotifMatchesWords(words) : TEXTS.noMotifsYetDropFiles}
            </p>
          )}
          <Cards motifs={listed} selected={chosen} pages={pages} onSelect={choose} />
        </main>
        {only &&
          (shown.length === 1 ? (
            <MotifTicket key={only.id} motif={only} onClose={close} onMade={(id) => setChosen([id])} />
          ) : (
            <SeveralTicket motifs={shown} onClose={close} onMade={(id) => setChosen([id])} />
          ))}
      </div>
    </div>
  );
}

interface CardsProps {
  readonly motifs: readonly ListedMotif[];
  readonly selected: readonly string[];
  /** Where the next page comes from. */
  readonly pages: Parameters<typeof useMoreInSight>[0];
  /** `more` adds to the selection, or removes from it. */
  readonly onSelect: (id: string, more: boolean) => void;
}

/** The motifs in rows; only the rows in sight exist. */
function Cards({ motifs, selected, pages, onSelect }: CardsProps) {
  const more = useMoreInSight(pages);
  const [unit] = useUnit();
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(900);
  const columns = Math.max(1, Math.floor(width / CARD_WIDTH));
  useEffect(() => {
    const place = frame.current;
    if (!place) return;
    const observer = new ResizeObserver(() => setWidth(place.clientWidth - 2 * MARGIN));
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  // oxlint-disable-next-line react/incompatible-library -- its own note says that it is read anew each time
  const rows = useVirtualizer({
    count: Math.ceil(motifs.length / columns),
    getScrollElement: () => frame.current,
    estimateSize: () => CARD_HEIGHT,
    overscan: 3,
  });
  return (
    <div ref={frame} className="min-h-0 grow overflow-y-auto px-5 pb-6">
      <ul aria-label={TEXTS.motifs} className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().flatMap(({ index, start }) =>
          motifs.slice(index * columns, (index + 1) * columns).map((motif, i) => (
            <li
              key={motif.id}
              className="absolute p-1"
              style={{ top: start, left: (i * width) / columns, width: width / columns, height: CARD_HEIGHT }}
            >
              <button
                type="button"
                data-drawer-motif={motif.id}
                aria-pressed={selected.includes(motif.id)}
                onClick={(event) => onSelect(motif.id, event.shiftKey || event.ctrlKey || event.metaKey)}
                className={`flex h-full w-full flex-col items-center rounded-md border p-2 ${selected.includes(motif.id) ? 'border-ink bg-white ring-1 ring-ink' : 'border-transparent hover:border-thread hover:bg-white'}`}
              >
                <img src={blobUrl(motif.thumbnail)} alt="" loading="lazy" className="h-26 w-full motif-thumb" />
                <span className="mt-1.5 w-full truncate text-center text-sm font-medium" title={motif.name}>
                  {motif.name}
                </span>
                <span className="text-xs text-graphite">
                  {formatLength(motif.width, unit)}
                  {motif.uses > 0 && TEXTS.inUses(motif.uses)}
                </span>
              </button>
            </li>
          )),
        )}
      </ul>
      {pages.hasNextPage && <div ref={more} className="h-1" />}
    </div>
  );
}
