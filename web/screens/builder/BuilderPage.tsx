import type { DesignMotif } from '../../../contract/index.ts';
import { Dices } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { Artwork } from '../../../core/motif/index.ts';
import { FIGURE_KINDS, type FigureKind, type ShapeRecipe, shapeRecipeSchema } from '../../../core/recipe/index.ts';
import { EmptyShapeError, type Letterer, pieceOutline, shapeArtwork, variations } from '../../../core/shapes/index.ts';
import { useMotif, useMotifPages } from '../../api/motifs.ts';
import { ArtworkSvg } from '../../ui/ArtworkSvg.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { useKeptHistory } from '../../ui/useKeptHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { useLetterer } from './fonts.ts';
import { fadingOf, newPiece, takesAfterOther, withFade, withPiece } from './pieces.ts';
import { BuilderHead } from './BuilderHead.tsx';
import { inkThatShows, mostUsedInks } from './inks.ts';
import { PieceList } from './PieceList.tsx';
import { PieceTicket } from './PieceTicket.tsx';
import { RepeatPreview } from './RepeatPreview.tsx';
import { ShapeStage } from './ShapeStage.tsx';
import { Sized } from './Sized.tsx';
import { TEXTS } from './texts.ts';

const GROUNDS = [
  { name: TEXTS.onLight, colour: '#f2eee4' },
  { name: TEXTS.onDark, colour: '#22304a' },
] as const;
const ALTERNATIVES = 7;

/** Builds a motif of figures, or goes on with one that was built before. */
export function BuilderPage() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const first = FIGURE_KINDS.find((kind) => kind === search.get('figure')) ?? 'petals';
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
      {(data) => <Builder key={id ?? first} first={first} motif={motif} motifs={data.motifs} letter={data.letter} />}
    </Fetched>
  );
}

interface BuilderProps {
  /** What a new motif begins with. */
  readonly first: FigureKind;
  readonly motif: DesignMotif | undefined;
  readonly motifs: readonly DesignMotif[];
  readonly letter: Letterer;
}

function Builder({ first, motif, motifs, letter }: BuilderProps) {
  const inks = useMemo(() => mostUsedInks(motifs), [motifs]);
  const begin: ShapeRecipe =
    motif?.recipe?.kind === 'shape' ? motif.recipe : { kind: 'shape', pieces: [newPiece(first, inkThatShows(inks))] };
  const history = useKeptHistory<ShapeRecipe>(motif ? `shape.${motif.id}` : `shape.of.${first}`, begin, (value) =>
    shapeRecipeSchema.validateSync(value, { strict: true }),
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
  const fading = useMemo(() => fadingOf(recipe, chosen, letter), [recipe, chosen, letter]);

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)_auto]">
      <BuilderHead motif={motif} artwork={artwork} history={history}>
        {history.canUndo && (
          <Button look="quiet" onClick={() => change(begin)}>
            {TEXTS.startAgain}
          </Button>
        )}
        {GROUNDS.map(({ name, colour }) => (
          <Button key={name} look="quiet" pressed={ground === colour} onClick={() => setGround(colour)}>
            <span className="h-3.5 w-3.5 rounded-full border border-graphite" style={{ background: colour }} /> {name}
          </Button>
        ))}
      </BuilderHead>
      <main className="grid min-h-0 min-w-0 grid-cols-2">
        {artwork ? (
          <>
            <ShapeStage
              artwork={artwork}
              outlines={outlines}
              chosen={chosen}
              ground={ground}
              onChoose={setPicked}
              places={recipe.pieces}
              fading={
                fading && piece && { ...fading, onChange: (fade) => change(withFade(recipe, chosen, fade), 'fade') }
              }
              onMove={(n, { x, y }) => change(withPiece(recipe, n, { x: round(x), y: round(y) }), `place of ${n}`)}
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
        <PieceList
          recipe={recipe}
          chosen={chosen}
          onChoose={setPicked}
          onChange={(next) => change(next)}
          ink={inkThatShows(inks)}
        />
        {piece && (
          <PieceTicket
            piece={piece}
            isFirst={chosen === 0}
            takesAfter={takesAfterOther(recipe, chosen)}
            inks={inks}
            onChange={(to) => change(withPiece(recipe, chosen, to), `${Object.keys(to).join()} of ${chosen}`)}
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

function drawn(recipe: ShapeRecipe, letter: Letterer): Artwork | undefined {
  try {
    return shapeArtwork(recipe, letter);
  } catch (error) {
    if (error instanceof EmptyShapeError) return undefined;
    throw error;
  }
}

const round = (n: number): number => Math.round(n * 1000) / 1000;
