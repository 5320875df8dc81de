import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import type { Hex } from '../../../core/colour/index.ts';
import { FIGURE_KINDS, type FigureKind, MOST_PIECES, type ShapeRecipe } from '../../../core/recipe/index.ts';
import { FIGURES } from '../../../core/shapes/index.ts';
import { Button } from '../../ui/Button.tsx';
import { newPiece, takesAfterOther, withFigure, withMoved, withoutPiece, withPiece } from './pieces.ts';
import { TEXTS } from './texts.ts';

interface PieceListProps {
  readonly recipe: ShapeRecipe;
  readonly chosen: number;
  readonly ink: Hex;
  readonly onChoose: (index: number) => void;
  readonly onChange: (recipe: ShapeRecipe) => void;
}

/** The pieces, topmost first, and what can be added to them. */
export function PieceList({ recipe, chosen, ink, onChoose, onChange }: PieceListProps) {
  const { pieces } = recipe;
  const add = (figure: FigureKind): void => {
    onChange({ ...recipe, pieces: [...pieces, newPiece(figure, ink)] });
    onChoose(pieces.length);
  };
  const replaceOnly = (figure: FigureKind): void => {
    const piece = pieces[chosen];
    if (piece) onChange(withPiece(recipe, chosen, withFigure(piece, figure)));
  };
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
