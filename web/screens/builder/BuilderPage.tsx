import type { DesignMotif } from '../../../contract/index.ts';
import { ArrowDown, ArrowLeft, ArrowUp, Dices, Plus, Redo2, Trash2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { channels, type Hex } from '../../../core/colour/index.ts';
import type { Artwork } from '../../../core/motif/index.ts';
import { FIGURE_KINDS, type FigureKind, MOST_PIECES, type ShapeRecipe } from '../../../core/recipe/index.ts';
import {
  EmptyShapeError,
  FIGURES,
  type Letterer,
  pieceOutline,
  shapeArtwork,
  variations,
} from '../../../core/shapes/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { useMotifMutation, useMotifMaking, useMotif, useMotifPages } from '../../api/motifs.ts';
import { ArtworkSvg } from '../../ui/ArtworkSvg.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useUnit } from '../../ui/unit.ts';
import { useHistory } from '../../ui/useHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { useLetterer } from './fonts.ts';
import { newPiece, takesAfterOther, withMoved, withoutPiece, withPiece } from './pieces.ts';
import { PieceTicket } from './PieceTicket.tsx';
import { RepeatPreview } from './RepeatPreview.tsx';
import { ShapeStage } from './ShapeStage.tsx';
import { TEXTS } from './texts.ts';

const GROUNDS = [
  { name: TEXTS.onLight, colour: '#f2eee4' },
  { name: TEXTS.onDark, colour: '#22304a' },
] as const;
const ALTERNATIVES = 7;

/** Builds a motif of figures, or goes on with one that was built before. */
export function BuilderPage() {
  const { id } = useParams();
  const own = useMotif(id);
  const pages = useMotifPages({ order: 'used' });
  const letterer = useLetterer();
  const motif = own.data;
  // What was not built is not taken apart here: changing it would put a first petal in its place.
  const foreign =
    id !== undefined && motif && motif.recipe?.kind !== 'shape' ? new Error(TEXTS.nameWasNotBuiltOf(motif.name)) : null;
  const isRead = id === undefined || motif !== undefined;
  const ready =
    isRead && pages.motifs && letterer.data && !foreign ? { motifs: pages.motifs, letter: letterer.data } : undefined;
  return (
    <Fetched
      what="builder"
      query={{ data: ready, error: foreign ?? own.error ?? pages.error ?? letterer.error }}
      back={{ to: '/motifs', name: TEXTS.motifDrawer }}
    >
      {(data) => <Builder key={id ?? ''} motif={motif} motifs={data.motifs} letter={data.letter} />}
    </Fetched>
  );
}

interface BuilderProps {
  readonly motif: DesignMotif | undefined;
  readonly motifs: readonly DesignMotif[];
  readonly letter: Letterer;
}

function Builder({ motif, motifs, letter }: BuilderProps) {
  const inks = useMemo(() => mostUsedInks(motifs), [motifs]);
  const history = useHistory<ShapeRecipe>(
    motif?.recipe?.kind === 'shape'
      ? motif.recipe
      : { kind: 'shape', pieces: [newPiece('petals', inkThatShows(inks))] },
  );
  const { value: recipe, change, undo, redo } = history;
  useUndoKeys(undo, redo);
  const [picked, setPicked] = useState(0);
  const chosen = Math.min(picked, recipe.pieces.length - 1);
  const [seed, setSeed] = useState(1);
  const [ground, setGround] = useState<string>(GROUNDS[0].colour);
  const artwork = useMemo(() => drawn(recipe, letter), [recipe, letter]);
  const outlines = useMemo(() => recipe.pieces.map((piece) => pieceOutline(piece, letter)), [recipe, letter]);
  const others = useMemo(() => variations(recipe, seed, ALTERNATIVES), [recipe, seed]);
  const piece = recipe.pieces[chosen];

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)_auto]">
      <Head motif={motif} artwork={artwork} history={history}>
        {GROUNDS.map(({ name, colour }) => (
          <Button key={name} look="quiet" pressed={ground === colour} onClick={() => setGround(colour)}>
            <span className="h-3.5 w-3.5 rounded-full border border-graphite" style={{ background: colour }} /> {name}
          </Button>
        ))}
      </Head>
      <main className="grid min-h-0 min-w-0 grid-cols-2">
        {artwork ? (
          <>
            <ShapeStage
              artwork={artwork}
              outlines={outlines}
              chosen={chosen}
              ground={ground}
              onChoose={setPicked}
              onMove={(dx, dy) =>
                piece && change(withPiece(recipe, chosen, { x: round(piece.x + dx), y: round(piece.y + dy) }))
              }
            />
            <Sized>
              {(width, height) => <RepeatPreview artwork={artwork} ground={ground} width={width} height={height} />}
            </Sized>
          </>
        ) : (
          <p role="alert" className="col-span-2 grid place-items-center p-8 text-center">
            {TEXTS.thesePiecesLeaveNothingTo}
          </p>
        )}
      </main>
      <aside
        aria-label={TEXTS.pieces}
        className="row-span-2 flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-thread p-5"
      >
        <PieceList recipe={recipe} chosen={chosen} onChoose={setPicked} onChange={change} ink={inkThatShows(inks)} />
        {piece && (
          <PieceTicket
            piece={piece}
            isFirst={chosen === 0}
            takesAfter={takesAfterOther(recipe, chosen)}
            inks={inks}
            onChange={(to) => change(withPiece(recipe, chosen, to))}
          />
        )}
      </aside>
      <section aria-label={TEXTS.alternatives} className="flex items-center gap-2 border-t border-thread px-4 py-2">
        <Button onClick={() => setSeed(seed + 1)}>
          <Dices size={15} aria-hidden /> {TEXTS.others}
        </Button>
        <ul className="flex min-w-0 grow gap-2 overflow-x-auto p-1">
          {others.map((shapeRecipe, n) => {
            const other = drawn(shapeRecipe, letter);
            return (
              other && (
                <li key={n} className="shrink-0">
                  <button
                    type="button"
                    aria-label={TEXTS.alternativeN(n + 1)}
                    data-alternative={n}
                    onClick={() => change(shapeRecipe)}
                    className="grid h-22 w-24 place-items-center rounded-md border border-thread p-1.5 hover:border-ink"
                    style={{ background: ground }}
                  >
                    <ArtworkSvg artwork={other} label="" className="h-18 w-20" />
                  </button>
                </li>
              )
            );
          })}
        </ul>
      </section>
    </div>
  );
}

interface HeadProps {
  readonly motif: DesignMotif | undefined;
  readonly artwork: Artwork | undefined;
  readonly history: ReturnType<typeof useHistory<ShapeRecipe>>;
  readonly children: ReactNode;
}

function Head({ motif, artwork, history, children }: HeadProps) {
  const [unit] = useUnit();
  const making = useMotifMaking();
  const mutation = useMotifMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const navigate = useNavigate();
  const [name, setName] = useState(motif?.name ?? FIGURES[history.value.pieces[0]?.figure ?? 'petals'].name);
  const recipe = history.value;
  const busy = making.isPending || mutation.isPending;
  const finish = async (): Promise<void> => {
    try {
      if (motif) {
        const before = motif.recipe;
        await mutation.mutateAsync({ id: motif.id, recipe });
        if (name.trim() !== motif.name) await mutation.mutateAsync({ id: motif.id, change: { name: name.trim() } });
        notify({
          text: TEXTS.nameIsChangedWhereverIt(name.trim()),
          ...(before && {
            action: { label: TEXTS.undo, run: () => mutation.mutate({ id: motif.id, recipe: before }) },
          }),
        });
      } else {
        const made = await making.mutateAsync({ name: name.trim(), collection: TEXTS.built, recipe });
        notify({
          text: TEXTS.nameIsInTheDrawer(made.name),
          action: { label: TEXTS.toTheDrawer, run: () => void navigate('/motifs') },
        });
        await navigate(`/build/${made.id}`, { replace: true });
      }
    } catch (error) {
      notifyProblem(error);
    }
  };
  return (
    <header className="col-span-2 flex items-center gap-3 border-b border-thread px-4">
      <Link
        to="/motifs"
        aria-label={TEXTS.toTheMotifDrawer}
        title={TEXTS.toTheMotifDrawer}
        className="grid h-8 w-8 place-items-center rounded-md hover:bg-linen"
      >
        <ArrowLeft size={16} aria-hidden />
      </Link>
      <input
        aria-label={TEXTS.nameOfTheMotif}
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.target.value)}
        className="h-8 w-64 rounded-md border border-thread bg-white px-2 font-name text-base font-semibold"
      />
      {artwork && (
        <span className="text-xs text-graphite">
          {formatLength(artwork.view.width, unit)} × {formatLength(artwork.view.height, unit)}
        </span>
      )}
      <span className="grow" />
      {children}
      <Button look="quiet" label={TEXTS.undo} disabled={!history.canUndo} onClick={history.undo}>
        <Undo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" label={TEXTS.redo} disabled={!history.canRedo} onClick={history.redo}>
        <Redo2 size={16} aria-hidden />
      </Button>
      <Button look="accent" disabled={!artwork || busy || name.trim() === ''} onClick={() => void finish()}>
        {motif ? TEXTS.changeTheMotif : TEXTS.makeTheMotif}
      </Button>
    </header>
  );
}

interface PieceListProps {
  readonly recipe: ShapeRecipe;
  readonly chosen: number;
  readonly ink: Hex;
  readonly onChoose: (index: number) => void;
  readonly onChange: (recipe: ShapeRecipe) => void;
}

/** The pieces, topmost first, and what can be added to them. */
function PieceList({ recipe, chosen, ink, onChoose, onChange }: PieceListProps) {
  const { pieces } = recipe;
  const add = (figure: FigureKind): void => {
    onChange({ ...recipe, pieces: [...pieces, newPiece(figure, ink)] });
    onChoose(pieces.length);
  };
  const replaceOnly = (figure: FigureKind): void =>
    onChange(
      withPiece(recipe, chosen, {
        ...newPiece(figure, pieces[chosen]?.fill?.ink ?? ink),
        combine: pieces[chosen]?.combine ?? 'lay',
        x: pieces[chosen]?.x ?? 0,
        y: pieces[chosen]?.y ?? 0,
      }),
    );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <ul aria-label={TEXTS.pieces} className="grid gap-1">
        {pieces
          .map((piece, n) => ({ piece, n }))
          .reverse()
          .map(({ piece, n }) => (
            <li
              key={n}
              className={`flex items-center rounded-md border ${n === chosen ? 'border-ink bg-white' : 'border-thread'}`}
            >
              <button
                type="button"
                aria-pressed={n === chosen}
                onClick={() => onChoose(n)}
                className="flex h-8 min-w-0 grow items-center gap-2 px-2 text-left text-sm"
              >
                <span
                  className="h-3.5 w-3.5 shrink-0 rounded-full border border-ink/25"
                  style={{
                    background: takesAfterOther(recipe, n)
                      ? 'transparent'
                      : (piece.fill?.ink ?? piece.outline?.ink ?? 'transparent'),
                  }}
                />
                <span className="truncate">
                  {piece.figure === 'lettering' ? `“${piece.text}”` : FIGURES[piece.figure].name}
                </span>
              </button>
              {n === chosen && pieces.length > 1 && (
                <>
                  <Button
                    look="quiet"
                    label={TEXTS.bringForward}
                    disabled={n === pieces.length - 1}
                    onClick={() => (onChange(withMoved(recipe, n, 1)), onChoose(n + 1))}
                  >
                    <ArrowUp size={14} aria-hidden />
                  </Button>
                  <Button
                    look="quiet"
                    label={TEXTS.sendBackward}
                    disabled={n === 0}
                    onClick={() => (onChange(withMoved(recipe, n, -1)), onChoose(n - 1))}
                  >
                    <ArrowDown size={14} aria-hidden />
                  </Button>
                  <Button look="quiet" label={TEXTS.deleteThisPiece} onClick={() => onChange(withoutPiece(recipe, n))}>
                    <Trash2 size={14} aria-hidden />
                  </Button>
                </>
              )}
            </li>
          ))}
      </ul>
      <div className="grid grid-cols-2 gap-2">
        <select
          aria-label={TEXTS.figureOfThisPiece}
          value={pieces[chosen]?.figure}
          onChange={(event) => replaceOnly(event.target.value as FigureKind)}
          className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm"
        >
          {FIGURE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {FIGURES[kind].name}
            </option>
          ))}
        </select>
        <Button disabled={pieces.length >= MOST_PIECES} onClick={() => add('dot')}>
          <Plus size={15} aria-hidden /> {TEXTS.addAPiece}
        </Button>
      </div>
    </div>
  );
}

/** Tells its child how large its place is. */
function Sized({ children }: { readonly children: (width: number, height: number) => ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const place = frame.current;
    if (!place) return;
    const observer = new ResizeObserver(() => setSize({ width: place.clientWidth, height: place.clientHeight }));
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  return (
    <div ref={frame} className="min-h-0 min-w-0 overflow-hidden border-l border-thread">
      {children(size.width, size.height)}
    </div>
  );
}

function drawn(recipe: ShapeRecipe, letter: Letterer): Artwork | undefined {
  try {
    return shapeArtwork(recipe, letter);
  } catch (error) {
    if (error instanceof EmptyShapeError) return undefined;
    throw error;
  }
}

/** The drawer's inks, those of most motifs first. */
function mostUsedInks(motifs: readonly DesignMotif[]): Hex[] {
  const uses = new Map<Hex, number>();
  for (const { inks } of motifs) if (inks.length <= 8) for (const ink of inks) uses.set(ink, (uses.get(ink) ?? 0) + 1);
  return [...uses].sort((a, b) => b[1] - a[1]).map(([ink]) => ink);
}

/** The ink of most motifs that is dark enough for a pale ground. */
function inkThatShows(inks: readonly Hex[]): Hex {
  return inks.find((ink) => Math.max(...channels(ink)) < 200) ?? '#b3402e';
}

const round = (n: number): number => Math.round(n * 1000) / 1000;
