import type { DesignMotif } from '../../../../contract/index.ts';
import { useEffect, useRef, useState } from 'react';
import type { Hex } from '../../../../core/colour/index.ts';
import { colourwayOf } from '../../../../core/document/index.ts';
import { latticeOf } from '../../../../core/lattice/index.ts';
import { anglesOf, nearestAngle } from '../../../../core/layout/index.ts';
import {
  type FigureKind,
  type GridFigure,
  type GridRecipe,
  MOST_GRID_SIZE,
  MOST_IN_GRID,
  type Piece,
} from '../../../../core/recipe/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { useMotifMaking } from '../../../api/motifs.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { useStore } from '../../../ui/store.ts';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../../../core/problem/index.ts';

const FIGURES: readonly {
  readonly value: GridFigure;
  readonly name: string;
  readonly shape: FigureKind;
  readonly one: string;
}[] = [
  { value: 'dots', name: TEXTS.dots, shape: 'dot', one: TEXTS.dot },
  { value: 'stripes', name: TEXTS.stripes, shape: 'block', one: TEXTS.stripe },
  { value: 'checks', name: TEXTS.checks, shape: 'block', one: TEXTS.block },
  { value: 'ogees', name: TEXTS.ogees, shape: 'ogee', one: TEXTS.ogee },
];
/** Long and low, mm: a stripe that is drawn out of a square would be drawn out too far. */
const STRIPE = { width: 240, height: 8 };
/** As many stripes as this to begin with. */
const FEW = 4;
/** Where figures that are made of an ink are kept in the drawer. */
const COLLECTION = TEXTS.figures;

interface Props {
  readonly recipe: GridRecipe;
  readonly onChange: (recipe: GridRecipe, taken?: readonly string[], made?: readonly DesignMotif[]) => void;
}

/** What a grid is of, how many, how large, and by which of the angles that close. */
export function GridFields({ recipe, onChange }: Props) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const motifs = useStore(editor.motifs);
  const making = useMotifMaking();
  const [problem, setProblem] = useState<string>();
  const lattice = latticeOf(committed.repeat);
  const angles = anglesOf(lattice, recipe);
  const angle = nearestAngle(angles, recipe.angle, recipe);
  const figure = FIGURES.find(({ value }) => value === recipe.figure) ?? FIGURES[0];

  // A motif in an ink takes a moment to make; what was changed in the meantime stays.
  const latest = useRef(recipe);
  useEffect(() => {
    latest.current = recipe;
  });

  /** Takes the figure in an ink as a motif: one that is in the drawer already, or a new one. */
  const ofInk = async (ink: Hex, inkName: string, next: GridRecipe): Promise<void> => {
    const shape = FIGURES.find(({ value }) => value === next.figure);
    if (!shape) return;
    // Fetched when it is needed, since the figures come with geometry that nothing else on this page uses.
    const { newPiece } = await import('../../builder/pieces.ts');
    const plain = newPiece(shape.shape, ink);
    const piece: Piece = next.figure === 'stripes' ? { ...plain, values: STRIPE } : plain;
    const known = motifs.find(
      ({ deleted, recipe: own }) =>
        !deleted && own?.kind === 'shape' && own.pieces.length === 1 && isPlain(own.pieces[0], piece),
    );
    try {
      const motif =
        known ??
        (await making.mutateAsync({
          name: `${shape.one}, ${inkName.toLowerCase()}`,
          collection: COLLECTION,
          recipe: { kind: 'shape', pieces: [piece] },
        }));
      setProblem(undefined);
      onChange(
        {
          ...latest.current,
          figure: next.figure,
          count: next.figure === recipe.figure ? latest.current.count : next.count,
          motif: motif.id,
          fitted: true,
        },
        [],
        [{ ...motif, deleted: false }],
      );
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const inks = committed.inks.map(({ id, name, prints }) => ({
    id,
    name,
    print: prints[0] ?? (colourwayOf(committed).colours[id] as Hex),
  }));
  const source = motifs.find(({ id }) => id === recipe.motif);
  const made = source?.recipe?.kind === 'shape' && recipe.fitted ? source.recipe.pieces[0]?.fill?.ink : undefined;
  const inkNow = inks.find(({ print }) => print === made);

  return (
    <>
      <Choice
        label={TEXTS.ofWhat}
        value={recipe.figure}
        options={FIGURES.map(({ value, name }) => ({ value, name }))}
        onChange={(value) => {
          const next = { ...recipe, figure: value, ...(value === 'stripes' && { count: Math.min(FEW, recipe.count) }) };
          if (recipe.fitted && inkNow) void ofInk(inkNow.print, inkNow.name, next);
          else onChange(next);
        }}
      />
      <label className="grid gap-0.5 text-xs text-graphite">
        {TEXTS.madeOf}
        <select
          value={inkNow ? `ink ${inkNow.id}` : recipe.motif ? `motif ${recipe.motif}` : ''}
          onChange={({ target: { value } }) => {
            const ink = inks.find(({ id }) => value === `ink ${id}`);
            if (ink) void ofInk(ink.print, ink.name, recipe);
            else onChange({ ...recipe, motif: value.replace('motif ', ''), fitted: false });
          }}
          className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        >
          {recipe.motif === '' && <option value="">{TEXTS.choose}</option>}
          <optgroup label={TEXTS.inAnInk(figure?.one)}>
            {inks.map(({ id, name }) => (
              <option key={id} value={`ink ${id}`}>
                {name}
              </option>
            ))}
          </optgroup>
          <optgroup label={TEXTS.aMotif}>
            {motifs
              .filter(({ deleted }) => !deleted)
              .map(({ id, name }) => (
                <option key={id} value={`motif ${id}`}>
                  {name}
                </option>
              ))}
          </optgroup>
        </select>
      </label>
      <MotifPick
        label={TEXTS.anotherMotif}
        prompt={TEXTS.anotherMotifPrompt}
        onPick={({ id }) => onChange({ ...recipe, motif: id, fitted: false })}
      />
      <div className="grid grid-cols-3 gap-2">
        <AmountField
          label={recipe.figure === 'stripes' ? TEXTS.sideBySide : TEXTS.toTheCell}
          value={recipe.count}
          min={1}
          max={MOST_IN_GRID}
          onChange={(count) => onChange({ ...recipe, count: Math.round(count) })}
        />
        <AmountField
          label={TEXTS.size}
          sign="%"
          value={recipe.size * 100}
          min={1}
          max={100 * MOST_GRID_SIZE}
          step={5}
          onChange={(size) => onChange({ ...recipe, size: size / 100 })}
        />
        <AmountField
          label={TEXTS.targetAngle}
          sign="°"
          value={recipe.angle}
          min={-360}
          max={360}
          step={5}
          onChange={(next) => onChange({ ...recipe, angle: next })}
        />
      </div>
      <label className="grid gap-0.5 text-xs text-graphite">
        {TEXTS.anglesThatCloseOnThis}
        <select
          aria-label={TEXTS.anglesThatCloseOnThis}
          value={String(angle)}
          onChange={({ target: { value } }) => onChange({ ...recipe, angle: Number(value) })}
          className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        >
          {angles.map((one) => (
            <option key={one} value={String(one)}>
              {formatNumber(one, 2)}°{one === angle ? TEXTS.theNearest : ''}
            </option>
          ))}
        </select>
      </label>
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
    </>
  );
}

/** Whether a piece of a motif is the figure as it is first laid down. */
function isPlain(piece: Piece | undefined, plain: Piece): boolean {
  return (
    piece !== undefined &&
    piece.figure === plain.figure &&
    Object.entries(plain.values).every(([key, value]) => piece.values[key] === value) &&
    piece.fill?.ink === plain.fill?.ink &&
    !piece.fill?.fade &&
    !piece.outline
  );
}
