import { ArrowLeft, ArrowRight, Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { LARGEST_CELL_MM } from '../../../../core/lattice/index.ts';
import { LEAST_GAP, MOST_GAP, MOST_IN_ROW, MOST_ROWS, type RowRecipe } from '../../../../core/recipe/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { RowOffers } from './RowOffers.tsx';
import { TEXTS } from './texts.ts';

const PROMPT = TEXTS.addAMotif;

interface Props {
  readonly recipe: RowRecipe;
  readonly isLaid: boolean;
  /** @param taken placements that become part of the row */
  readonly onChange: (recipe: RowRecipe, taken?: readonly string[]) => void;
}

/** The motifs of each row in their order, what they have in common, and the gaps. */
export function RowFields({ recipe, isLaid, onChange }: Props) {
  const editor = useEditor();
  const { ids } = useStore(editor.selection);
  const { rows } = recipe;
  const setRow = (at: number, row: readonly string[], taken?: readonly string[]): void => {
    const next = rows.length === 0 ? [row] : rows.map((one, n) => (n === at ? row : one));
    onChange({ ...recipe, rows: next.filter((one) => one.length > 0) }, taken);
  };
  const addChosen = (): void => {
    // In the order in which they were chosen.
    const list = ids.flatMap((id) => editor.placement(id) ?? []);
    setRow(
      Math.max(0, rows.length - 1),
      [...(rows.at(-1) ?? []), ...list.map(({ motif }) => motif)].slice(0, MOST_IN_ROW),
      list.map(({ id }) => id),
    );
  };
  return (
    <>
      {rows.length === 0 && <p className="text-sm">{TEXTS.aRowSetsMotifsSide}</p>}
      {rows.map((row, n) => (
        <RowList
          key={n}
          name={rows.length > 1 ? TEXTS.rowN(n + 1) : TEXTS.theRow}
          row={row}
          onChange={(next) => setRow(n, next)}
        />
      ))}
      <div className="grid grid-cols-2 gap-2">
        {rows.length === 0 ? (
          <MotifPick label={TEXTS.addAMotifToThe} prompt={PROMPT} onPick={({ id }) => setRow(0, [id])} />
        ) : (
          <Button
            disabled={rows.length >= MOST_ROWS}
            onClick={() => onChange({ ...recipe, rows: [...rows, [...(rows.at(-1) ?? [])].reverse()] })}
          >
            <Plus size={14} aria-hidden /> {TEXTS.anotherRow}
          </Button>
        )}
        <Button disabled={ids.length === 0} title={TEXTS.inTheOrderOfSelection} onClick={addChosen}>
          {TEXTS.addTheSelected}
        </Button>
      </div>
      <Choice
        label={TEXTS.makeEqual}
        value={recipe.equal}
        options={[
          { value: 'width', name: TEXTS.width },
          { value: 'height', name: TEXTS.height },
          { value: 'area', name: TEXTS.area },
        ]}
        onChange={(equal) => onChange({ ...recipe, equal })}
      />
      <div className="grid grid-cols-3 gap-2">
        <LengthField
          label={TEXTS.each}
          mm={recipe.size}
          min={1}
          max={LARGEST_CELL_MM / 2}
          onChange={(size) => onChange({ ...recipe, size })}
        />
        <LengthField
          label={TEXTS.gap}
          mm={recipe.gap}
          signed
          min={LEAST_GAP}
          max={MOST_GAP}
          onChange={(gap) => onChange({ ...recipe, gap })}
        />
        <LengthField
          label={TEXTS.rowGap}
          mm={recipe.rowGap}
          signed
          min={LEAST_GAP}
          max={MOST_GAP}
          onChange={(rowGap) => onChange({ ...recipe, rowGap })}
        />
      </div>
      {isLaid && rows.length === 1 && <RowOffers count={rows[0]?.length ?? 1} />}
    </>
  );
}

interface ListProps {
  readonly name: string;
  readonly row: readonly string[];
  readonly onChange: (row: readonly string[]) => void;
}

function RowList({ name, row, onChange }: ListProps) {
  const editor = useEditor();
  useStore(editor.motifs);
  const moved = (from: number, by: 1 | -1): readonly string[] => {
    const next = [...row];
    const [one] = next.splice(from, 1);
    next.splice(from + by, 0, one as string);
    return next;
  };
  return (
    <div className="grid gap-1.5">
      <h4 className="text-xs text-graphite">{name}</h4>
      <ol aria-label={name} className="grid gap-1">
        {row.map((id, n) => {
          const motif = editor.motif(id);
          const label = motif?.name ?? TEXTS.motif;
          return (
            <li
              key={`${id} ${n}`}
              data-in-row={id}
              className="grid grid-cols-[28px_minmax(0,1fr)_auto] items-center gap-1.5 rounded-md border border-thread bg-white px-1.5 py-0.5 text-sm"
            >
              {motif ? <img src={blobUrl(motif.thumbnail)} alt="" className="h-7 w-7 motif-thumb" /> : <span />}
              <span className="truncate">{label}</span>
              <span className="flex">
                <IconButton
                  label={TEXTS.moveLabelEarlier(label)}
                  disabled={n === 0}
                  onClick={() => onChange(moved(n, -1))}
                >
                  <ArrowLeft size={14} aria-hidden />
                </IconButton>
                <IconButton
                  label={TEXTS.moveLabelLater(label)}
                  disabled={n === row.length - 1}
                  onClick={() => onChange(moved(n, 1))}
                >
                  <ArrowRight size={14} aria-hidden />
                </IconButton>
                <IconButton label={TEXTS.takeLabelOut(label)} onClick={() => onChange(row.filter((_, m) => m !== n))}>
                  <X size={14} aria-hidden />
                </IconButton>
              </span>
            </li>
          );
        })}
      </ol>
      <MotifPick
        label={TEXTS.addAMotifToName(name.toLowerCase())}
        prompt={PROMPT}
        onPick={({ id }) => onChange([...row, id].slice(0, MOST_IN_ROW))}
      />
    </div>
  );
}

interface IconProps {
  readonly label: string;
  readonly disabled?: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function IconButton({ label, disabled, onClick, children }: IconProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="grid h-7 w-7 place-items-center rounded-md text-graphite hover:bg-linen hover:text-ink disabled:opacity-30"
    >
      {children}
    </button>
  );
}
