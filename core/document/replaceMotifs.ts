import type { LayoutRecipe } from '../recipe/index.ts';
import type { Design } from './design.ts';

/** The design with other motifs in place of some, on its cloth and in its recipes; the same object where none is among them. */
export function replaceMotifs(design: Design, others: ReadonlyMap<string, string>): Design {
  if (others.size === 0) return design;
  const other = (motif: string): string => others.get(motif) ?? motif;
  const { inks, toss, layout, placements } = design;
  return {
    ...design,
    inks: inks.map((ink) =>
      ink.only ? { ...ink, only: ink.only.map((print) => ({ ...print, motif: other(print.motif) })) } : ink,
    ),
    toss: toss && {
      ...toss,
      recipe: {
        ...toss.recipe,
        entries: toss.recipe.entries.map((entry) => ({ ...entry, motif: other(entry.motif) })),
      },
    },
    layout: layout && { ...layout, recipe: replacedIn(layout.recipe, other) },
    placements: placements.map((placement) => ({ ...placement, motif: other(placement.motif) })),
  };
}

function replacedIn(recipe: LayoutRecipe, other: (motif: string) => string): LayoutRecipe {
  if (recipe.kind === 'grid') return { ...recipe, motif: other(recipe.motif) };
  return { ...recipe, rows: recipe.rows.map((row) => row.map(other)) };
}

/** Every motif that a design names, on its cloth and in its recipes, each once. */
export function motifsNamedBy({ toss, layout, placements }: Pick<Design, 'toss' | 'layout' | 'placements'>): string[] {
  const layoutMotifs = layout
    ? layout.recipe.kind === 'grid'
      ? [layout.recipe.motif]
      : layout.recipe.rows.flat()
    : [];
  return [
    ...new Set([
      ...placements.map(({ motif }) => motif),
      ...(toss?.recipe.entries ?? []).map(({ motif }) => motif),
      ...layoutMotifs,
    ]),
  ];
}
