import { useVirtualizer } from '@tanstack/react-virtual';
import { FolderDown, Search, Shapes } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { formatLength } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { collectionFileUrl, useMotifs, type DrawerMotif } from '../../api/motifs.ts';
import { Masthead } from '../../ui/Masthead.tsx';
import { useUnit } from '../../ui/unit.ts';
import { Arrivals } from './Arrivals.tsx';
import { BringFiles } from './BringFiles.tsx';
import { droppedFiles } from './files.ts';
import { useImports } from './imports.ts';
import { MotifTicket } from './MotifTicket.tsx';
import { SeveralTicket } from './SeveralTicket.tsx';
import { collectionsOf, ORDERS, soughtMotifs, type Order } from './sorting.ts';

/** Least width of a card; the row's width is shared out. */
const CARD_WIDTH = 140;
const CARD_HEIGHT = 176;
/** Left and right of the cards. */
const MARGIN = 20;

/** The motif drawer: everything the studio has drawn or brought, by collection. */
export function MotifDrawer() {
  const motifs = useMotifs();
  const [words, setWords] = useState('');
  const [collection, setCollection] = useState<string>();
  const [order, setOrder] = useState<Order>('newest');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const { bringFiles } = useImports();
  const all = useMemo(() => motifs.data ?? [], [motifs.data]);
  const listed = useMemo(() => soughtMotifs(all, { words, collection, order }), [all, words, collection, order]);
  const shown = all.filter(({ id, deleted }) => chosen.includes(id) && !deleted);
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
        void droppedFiles(event.dataTransfer).then((files) => bringFiles(files, collection));
      }}
    >
      <Masthead>
        <BringFiles collection={collection} />
        <Link
          to="/build"
          className="inline-flex h-8 items-center gap-1.5 rounded-md border border-thread bg-white px-3 text-sm font-medium hover:border-graphite"
        >
          <Shapes size={15} aria-hidden /> Build a motif
        </Link>
      </Masthead>
      <div className="flex min-h-0 grow">
        <aside aria-label="Collections" className="w-52 shrink-0 overflow-y-auto border-r border-thread px-4 py-6">
          <h1 className="mb-3 font-name text-2xl font-semibold">Motif drawer</h1>
          <ul className="grid gap-0.5">
            {[{ name: undefined, count: all.filter(({ deleted }) => !deleted).length }, ...collectionsOf(all)].map(
              ({ name, count }) => (
                <li key={name ?? ''}>
                  <button
                    type="button"
                    aria-pressed={collection === name}
                    onClick={() => setCollection(name)}
                    className={`flex w-full items-baseline gap-2 rounded-md px-2 py-1.5 text-left text-sm ${collection === name ? 'bg-linen font-semibold' : 'hover:bg-linen/60'}`}
                  >
                    <span className="min-w-0 grow truncate">{name ?? 'All'}</span>
                    <span className="text-xs font-normal text-graphite">{count}</span>
                  </button>
                </li>
              ),
            )}
          </ul>
          {collection !== undefined && (
            <a
              href={collectionFileUrl(collection)}
              download
              className="mt-3 flex h-8 items-center gap-1.5 rounded-md px-2 text-sm hover:bg-linen"
              title="A ZIP with a list in JSON, and each motif as SVG and PNG; another Hevrel reads it whole"
            >
              <FolderDown size={15} aria-hidden /> Write “{collection}” to a file
            </a>
          )}
          <div className="mt-5">
            <Arrivals />
          </div>
        </aside>
        <main className="flex min-w-0 grow flex-col">
          <div className="flex shrink-0 items-center gap-3 px-6 pt-6 pb-3">
            <label className="relative w-72">
              <Search size={14} aria-hidden className="absolute top-2.25 left-2 text-graphite" />
              <input
                aria-label="Search the drawer"
                value={words}
                onChange={(event) => setWords(event.target.value)}
                placeholder="Search names, collections, tags"
                className="h-8 w-full rounded-md border border-thread bg-white pr-2 pl-7 text-sm"
              />
            </label>
            <select
              aria-label="Order"
              value={order}
              onChange={(event) => setOrder(event.target.value as Order)}
              className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
            >
              {ORDERS.map(({ order: one, name }) => (
                <option key={one} value={one}>
                  {name}
                </option>
              ))}
            </select>
            <span className="text-sm text-graphite" role="status">
              {listed.length === 1 ? '1 motif' : `${listed.length} motifs`}
            </span>
          </div>
          {motifs.isError && (
            <p role="alert" className="px-6 text-madder">
              {motifs.error.message}
            </p>
          )}
          {motifs.data && listed.length === 0 && (
            <p className="max-w-md px-6 text-sm">
              {words
                ? `Nothing here answers to “${words}”.`
                : 'No motifs yet. Drop files, folders or a ZIP of drawings anywhere on this page.'}
            </p>
          )}
          <Cards motifs={listed} chosen={chosen} onChoose={choose} />
        </main>
        {only &&
          (shown.length === 1 ? (
            <MotifTicket key={only.id} motif={only} onClose={close} />
          ) : (
            <SeveralTicket motifs={shown} onClose={close} onMade={(id) => setChosen([id])} />
          ))}
      </div>
    </div>
  );
}

interface CardsProps {
  readonly motifs: readonly DrawerMotif[];
  readonly chosen: readonly string[];
  /** `more` adds to what is chosen, or takes away. */
  readonly onChoose: (id: string, more: boolean) => void;
}

/** The motifs in rows; only the rows in sight exist. */
function Cards({ motifs, chosen, onChoose }: CardsProps) {
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
  // eslint-disable-next-line react-hooks/incompatible-library -- its own note says that it is read anew each time
  const rows = useVirtualizer({
    count: Math.ceil(motifs.length / columns),
    getScrollElement: () => frame.current,
    estimateSize: () => CARD_HEIGHT,
    overscan: 3,
  });
  return (
    <div ref={frame} className="min-h-0 grow overflow-y-auto px-5 pb-6">
      <ul aria-label="Motifs" className="relative" style={{ height: rows.getTotalSize() }}>
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
                aria-pressed={chosen.includes(motif.id)}
                onClick={(event) => onChoose(motif.id, event.shiftKey || event.ctrlKey || event.metaKey)}
                className={`flex h-full w-full flex-col items-center rounded-md border p-2 ${chosen.includes(motif.id) ? 'border-ink bg-white ring-1 ring-ink' : 'border-transparent hover:border-thread hover:bg-white'}`}
              >
                <img src={blobUrl(motif.thumbnail)} alt="" loading="lazy" className="h-26 w-full object-contain" />
                <span className="mt-1.5 w-full truncate text-center text-sm font-medium" title={motif.name}>
                  {motif.name}
                </span>
                <span className="text-xs text-graphite">
                  {formatLength(motif.width, unit)}
                  {motif.uses > 0 && `, in ${motif.uses} ${motif.uses === 1 ? 'design' : 'designs'}`}
                </span>
              </button>
            </li>
          )),
        )}
      </ul>
    </div>
  );
}
