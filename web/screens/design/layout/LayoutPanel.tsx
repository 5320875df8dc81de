import type { DesignMotif } from '../../../../contract/index.ts';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { applyLayout, LayoutError } from '../../../../core/layout/index.ts';
import type { GridRecipe, LayoutRecipe, RowRecipe } from '../../../../core/recipe/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { LayoutDraft } from '../../../editor/editorState.ts';
import { TicketFoot } from '../TicketFoot.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { useStore } from '../../../ui/store.ts';
import { GridFields } from './GridFields.tsx';
import { RowFields } from './RowFields.tsx';
import { TEXTS } from './texts.ts';

const NEW_ROW: RowRecipe = { kind: 'row', rows: [], equal: 'height', size: 60, gap: 12, rowGap: 12 };
const NEW_GRID: GridRecipe = { kind: 'grid', figure: 'dots', motif: '', fitted: true, count: 16, angle: 45, size: 0.5 };

/** Rows and grids by recipe: once laid, what is changed here is changed on the cloth. */
export function LayoutPanel() {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const draft = useStore(editor.layoutDraft);
  const setDraft = (next: LayoutDraft | undefined): void => editor.layoutDraft.set(next);
  const [problem, setProblem] = useState<string>();
  const laid = committed.layout;
  const recipe = draft?.recipe ?? laid?.recipe ?? NEW_ROW;
  const isLaid = laid !== null && draft === undefined;

  const lay = (next: LayoutRecipe, taken: readonly string[] = [], made: readonly DesignMotif[] = []): void => {
    const { layer } = editor;
    const start = editor.session.state.committed;
    if (!layer) {
      editor.refusal.set(TEXTS.everyLayerIsHiddenOr);
      return;
    }
    // What was chosen for it becomes part of it; what one of the other kind laid stays, as ordinary motifs.
    const base =
      start.layout?.recipe.kind === next.kind
        ? start
        : { ...start, layout: taken.length > 0 ? { recipe: next, laid: taken } : null };
    try {
      const motifs = new Map([...editor.motifMap, ...made.map((motif) => [motif.id, motif] as const)]);
      const command = applyLayout(base, motifs, next, layer.id, () => nanoid());
      editor.select([]);
      editor.commit(
        next.kind === 'row'
          ? isLaid
            ? TEXTS.changedTheRows
            : TEXTS.setInARow
          : isLaid
            ? TEXTS.changedTheGrid
            : TEXTS.laidAGrid,
        command,
      );
      setDraft(undefined);
      setProblem(undefined);
    } catch (error) {
      if (!(error instanceof LayoutError)) throw error;
      setProblem(error.message);
    }
  };
  /** Follows at once where it lies on the cloth, else waits to be laid. */
  const change = (next: LayoutRecipe, taken: readonly string[] = [], made: readonly DesignMotif[] = []): void => {
    if (isLaid && isWhole(next)) lay(next, taken, made);
    else setDraft({ recipe: next, taken: [...(draft?.taken ?? []), ...taken] });
  };

  return (
    <section aria-label={TEXTS.rowsAndGrids} className="grid grid-cols-1 gap-3">
      <Choice
        label={TEXTS.laidOutIn}
        value={recipe.kind}
        options={[
          { value: 'row', name: TEXTS.rows },
          { value: 'grid', name: TEXTS.aGrid },
        ]}
        onChange={(kind) => {
          setProblem(undefined);
          setDraft(laid?.recipe.kind === kind ? undefined : { recipe: kind === 'row' ? NEW_ROW : NEW_GRID, taken: [] });
        }}
      />
      {recipe.kind === 'row' ? (
        <RowFields recipe={recipe} onChange={change} isLaid={isLaid} />
      ) : (
        <GridFields recipe={recipe} onChange={change} />
      )}
      {!isLaid && (
        <TicketFoot label={TEXTS.layingOut}>
          <Button look="accent" disabled={!isWhole(recipe)} onClick={() => lay(recipe, draft?.taken)}>
            {recipe.kind === 'row' ? TEXTS.setInARow : TEXTS.layTheGrid}
          </Button>
        </TicketFoot>
      )}
      {isLaid && (
        <>
          <p className="text-xs text-graphite">{TEXTS.whatIsChangedHereIs}</p>
          <Button
            title={TEXTS.keepsTheMotifsAndForgets}
            onClick={() => editor.commit(TEXTS.forgotTheLayoutRecipe, { type: 'layout', layout: null })}
          >
            {TEXTS.letItGo}
          </Button>
        </>
      )}
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
    </section>
  );
}

function isWhole(recipe: LayoutRecipe): boolean {
  return recipe.kind === 'row'
    ? recipe.rows.length > 0 && recipe.rows.every((row) => row.length > 0)
    : recipe.motif !== '';
}
