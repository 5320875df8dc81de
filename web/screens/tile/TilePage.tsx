import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { type DesignMotif, makeTile, type Scan } from '../../../contract/index.ts';
import { mirroredStep, SQUARE } from '../../../core/lattice/index.ts';
import { type CloneStroke, MOST_CLONES, tileWishSchema } from '../../../core/recipe/index.ts';
import { TileError, tileRepeat, type TileWish } from '../../../core/tile/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useJob } from '../../api/jobs.ts';
import { MOTIFS, useMotif } from '../../api/motifs.ts';
import { startTile, useScan } from '../../api/scans.ts';
import { BackLink } from '../../ui/BackLink.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useUnit } from '../../ui/unit.ts';
import { useKeptHistory } from '../../ui/useKeptHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { CloneLayer, type CloneMode } from './CloneLayer.tsx';
import { CloneTicket } from './CloneTicket.tsx';
import { firstWish, readyWish, repeatWish, wholeFrame, withFrame, withWay } from './frameHands.ts';
import { FrameFields } from './FrameFields.tsx';
import { FramePicture } from './FramePicture.tsx';
import { SeamTicket } from './SeamTicket.tsx';
import { TEXTS } from './texts.ts';
import { TileCloth } from './TileCloth.tsx';
import { findRepeat, useSeams } from './useSeams.ts';
import { useTiles } from './useTiles.ts';
import { isReady, WayTicket } from './WayTicket.tsx';

/** A picture becomes a tile: the picture with a frame on it, and beside it the cloth that the frame makes. */
export function TilePage() {
  const { id = '' } = useParams();
  const [query] = useSearchParams();
  const replace = query.get('motif') ?? undefined;
  const scan = useScan(id);
  const motif = useMotif(replace);
  const ready = scan.data && (replace === undefined || motif.data) ? { scan: scan.data, motif: motif.data } : undefined;
  return (
    <Fetched
      what="picture"
      query={{ data: ready, error: scan.error ?? motif.error }}
      back={{ to: '/workshop', name: 'workshop' }}
    >
      {(data) => <TileDesk key={id} {...data} />}
    </Fetched>
  );
}

/** About so many pixels of the tile are made while the frame is in the hand. */
const LIVE_PIXELS = 80_000;

function TileDesk({ scan, motif }: { readonly scan: Scan; readonly motif: DesignMotif | undefined }) {
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [unit] = useUnit();
  const recipe = motif?.recipe?.kind === 'tile' ? motif.recipe : undefined;
  const begin = recipe
    ? { frame: recipe.frame, width: recipe.width, way: recipe.way, clones: recipe.clones }
    : firstWish(scan, { kind: 'laid', step: mirroredStep(SQUARE, 'both') });
  const history = useKeptHistory<TileWish>(`tile.${motif?.id ?? scan.id}`, begin, (value) =>
    tileWishSchema.validateSync(value, { strict: true }),
  );
  const { value: wish, change, undo, redo } = history;
  useUndoKeys(undo, redo);
  const [cells, setCells] = useState<'few' | 'many'>('few');
  const [name, setName] = useState(motif?.name ?? scan.name.replace(/, \d+ dpi$/, ''));
  const [collection, setCollection] = useState<string>(motif?.collection ?? TEXTS.pictures);
  const url = blobUrl(scan.preview);
  const orders = useMemo(() => [{ url, pictureWidth: scan.width, wish, most: LIVE_PIXELS }], [url, scan.width, wish]);
  const { tiles, busy } = useTiles(orders);
  const [tile] = tiles;
  /** What is said of a motif that was made anew: a design's cell does not follow. */
  const remadeText = (): string => {
    const [before, after] = [recipe && sizeOf(recipe), sizeOf(wish)];
    const isSame = before && after && before.width === after.width && before.height === after.height;
    if (!after || isSame) return TEXTS.theMotifWasMadeAnew;
    return TEXTS.cellsStay(formatLength(after.width, unit), formatLength(after.height, unit));
  };
  const watch = useJob(makeTile, ({ design }) => {
    history.done();
    void client.invalidateQueries({ queryKey: MOTIFS });
    if (design !== null) void navigate(`/designs/${design}`);
    else
      notify({
        text: remadeText(),
        action: { label: TEXTS.toTheDrawer, run: () => void navigate('/motifs') },
      });
  });
  const [clone, setClone] = useState<CloneMode>('off');
  const [radius, setRadius] = useState(0.03);
  const stroking = useRef({ field: '', before: wish.clones ?? [] });
  /** A stroke on top of those that were there when it began. */
  const paint = (stroke: CloneStroke, field: string): void => {
    if (stroking.current.field !== field) stroking.current = { field, before: wish.clones ?? [] };
    const { before } = stroking.current;
    if (before.length >= MOST_CLONES) notify({ text: TEXTS.tooManyClones(MOST_CLONES) });
    else change({ ...wish, clones: [...before, stroke] }, field);
  };
  const { frame } = wish;
  const checking = isReady(wish.way);
  const seams = useSeams(scan.id, checking ? frame : undefined);
  const size = sizeOf(wish);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <header className="col-span-2 flex items-center gap-3 border-b border-thread px-4">
        <BackLink to={`/workshop/${scan.id}`} name={TEXTS.toThePicture} />
        <h1 className="truncate font-name text-base font-semibold">{scan.name}</h1>
        <span className="text-xs whitespace-nowrap text-graphite">{TEXTS.pictureSize(scan.width, scan.height)}</span>
        <span className="grow" />
        <span role="status" className="text-sm text-graphite">
          {busy ? TEXTS.working : ''}
        </span>
        <div className="w-40">
          <Choice
            label={TEXTS.repeatsShown}
            value={cells}
            options={[
              { value: 'few', name: TEXTS.few },
              { value: 'many', name: TEXTS.many },
            ]}
            onChange={setCells}
          />
        </div>
        <HistoryButtons history={history} />
      </header>
      <main className="grid min-h-0 min-w-0 grid-cols-2" aria-busy={busy} data-tiling>
        <FramePicture
          url={url}
          sheet={scan}
          wish={wish}
          breaks={seams && !('problem' in seams) ? seams : undefined}
          onFrame={(frame, field) => change(withFrame(wish, frame), field)}
        />
        <div className="relative min-h-0 min-w-0 border-l border-thread bg-white">
          {typeof tile === 'object' && (
            <>
              <TileCloth tile={tile} cells={cells === 'few' ? 2 : 5} className="h-full w-full" />
              <CloneLayer mode={clone} radius={radius} cell={tile.cell} onMode={setClone} onStroke={paint} />
            </>
          )}
          {typeof tile === 'string' && (
            <p role="alert" className="p-6 text-sm text-madder">
              {tile}
            </p>
          )}
        </div>
      </main>
      <aside aria-label={TEXTS.makeItRepeat} className="flex min-h-0 flex-col border-l border-thread">
        <div className="grid min-h-0 grow content-start gap-5 overflow-y-auto p-5">
          <WayTicket
            url={url}
            pictureWidth={scan.width}
            wish={wish}
            tile={typeof tile === 'object' ? tile : undefined}
            onWay={(way, field) => change(isReady(way) ? readyWish(wish, way, scan) : withWay(wish, way), field)}
          >
            <Button onClick={() => change(withFrame(wish, wholeFrame(scan)))}>{TEXTS.wholePicture}</Button>
            <Button
              onClick={() =>
                void findRepeat({ url, pictureWidth: scan.width }).then((found) => {
                  if (found) change(repeatWish(wish, found));
                  else notify({ text: TEXTS.noRepeatFound });
                }, notifyProblem)
              }
            >
              {TEXTS.findItsRepeat}
            </Button>
            <SeamTicket
              seams={seams}
              frame={wish.frame}
              step={wish.way.step}
              onFrame={(frame) => change(withFrame(wish, frame))}
              onWay={(way) => change(withWay(wish, way))}
            />
          </WayTicket>
          <CloneTicket
            mode={clone}
            radius={radius}
            count={wish.clones?.length ?? 0}
            onMode={setClone}
            onRadius={setRadius}
            onClear={() => change({ ...wish, clones: [] })}
          />
          <FrameFields sheet={scan} wish={wish} onWish={change} />
          {size && (
            <p className="text-sm text-graphite">
              {TEXTS.cellSize(formatLength(size.width, unit), formatLength(size.height, unit))}
            </p>
          )}
        </div>
        <div className="grid shrink-0 gap-2 border-t border-thread bg-calico p-4">
          {!motif && (
            <div className="grid grid-cols-2 gap-2">
              <TextField label={TEXTS.name} value={name} onChange={setName} />
              <TextField label={TEXTS.collection} value={collection} onChange={setCollection} />
            </div>
          )}
          <JobProgress watch={watch} doing={TEXTS.makingAtFullSize} />
          {!watch.running && (
            <Button
              look="accent"
              disabled={!size || name.trim() === '' || collection.trim() === ''}
              onClick={() =>
                watch.start(() =>
                  startTile(scan.id, { ...wish, name: name.trim(), collection: collection.trim(), replace: motif?.id }),
                )
              }
            >
              {motif ? TEXTS.changeTheMotif : TEXTS.makeADesign}
            </Button>
          )}
        </div>
      </aside>
    </div>
  );
}

function TextField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label>
      <span className="mb-0.5 block text-xs text-graphite">{label}</span>
      <input
        value={value}
        maxLength={112}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
      />
    </label>
  );
}

/** The cell on the cloth, mm; undefined where the frame is too small for it. */
function sizeOf(wish: TileWish): { readonly width: number; readonly height: number } | undefined {
  try {
    return tileRepeat(wish);
  } catch (error) {
    if (error instanceof TileError) return undefined;
    throw error;
  }
}
