import type { StoredMotif } from '../../contract/index.ts';
import { groupStrokes, movedStroke, strokesBox } from '../../core/draw/index.ts';
import { compose, type Matrix, type Point, transform, translationMatrix } from '../../core/geometry/index.ts';
import {
  type DrawnRecipe,
  MOST_DRAWING_LETTERS,
  MOST_STROKES,
  type Recipe,
  type Stroke,
  type VineRecipe,
} from '../../core/recipe/index.ts';
import { movedVine } from '../../core/vine/index.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { KeptDrawing } from './keptDrawing.ts';
import type { SideEffect } from './session.ts';
import { motifNear } from './motifNear.ts';
import { TEXTS } from './texts.ts';

/** Makes motifs; on the server, in the end. */
export interface MotifMaker {
  make(name: string, recipe: Recipe): Promise<StoredMotif>;
  remake(id: string, recipe: Recipe): Promise<unknown>;
  /** What it means for the drawer that a motif, just made, is undone and redone. */
  drawerEffect(id: string): SideEffect;
}

/**
 * Which strokes become one motif: all that are drawn in one go, or those of a colour that lie near each other; these join a drawing of
 * their colour, too, that they lie near to, where that is chosen.
 */
export type Gathering = 'all' | 'near' | 'join';
/** Strokes that gather by nearness are no farther from each other than this, mm. */
const NEAR = 4;

/**
 * Makes a drawing into motifs and lays them where they were drawn, or changes the motif whose drawing it is.
 *
 * @returns the placements that show it
 */
export async function finishDrawing(
  editor: DrawingHost,
  { strokes, vine, frame, continued }: KeptDrawing,
  gathering: Gathering,
  maker: MotifMaker,
): Promise<string[]> {
  const placements: string[] = [];
  /** Strokes of motifs that others have joined. */
  const changed = new Map<string, readonly Stroke[]>();
  const lay = async (name: (count: number) => string, recipe: Recipe, at: Point): Promise<void> => {
    const made = { ...(await maker.make(freeName(editor, name), recipe)), deleted: false };
    editor.learnPicked(made);
    // A filled area lies just under the lines about it.
    const isFill = recipe.kind === 'drawn' && recipe.strokes.every(({ deed }) => deed === 'area');
    const laid = isFill ? editor.placeBelowCommand(made, at) : editor.placeCommand(made, at);
    if (laid && editor.commit(TEXTS.drewName(made.name), laid.command, maker.drawerEffect(made.id)))
      placements.push(laid.id);
  };
  const changes = continued && { ...continued, kind: editor.motif(continued.motif)?.recipe?.kind };
  if (strokes.length > 0 && changes?.kind === 'drawn') {
    await maker.remake(changes.motif, { kind: 'drawn', strokes: [...strokes] });
    placements.push(changes.placement);
  } else if (strokes.length > 0)
    for (const group of gathering === 'all' ? [strokes] : groupStrokes(strokes, NEAR)) {
      const joined = gathering === 'join' ? await join(editor, group, frame, changed, maker) : undefined;
      if (joined !== undefined) placements.push(joined);
      else await layStrokes(group, frame, (recipe, at) => lay(TEXTS.drawingCount, recipe, at));
    }
  if (vine && changes?.kind === 'vine') {
    await maker.remake(changes.motif, vine);
    placements.push(changes.placement);
  } else if (vine) {
    const onPlane = movedVine(vine, frame);
    const middle = middleOf(onPlane);
    await lay(TEXTS.vineCount, movedVine(onPlane, translationMatrix(-middle.x, -middle.y)), middle);
  }
  return placements;
}

/** Adds strokes to the drawing that they lie near to. @returns the placement of it; undefined where there is none, or it is full */
async function join(
  editor: DrawingHost,
  group: readonly Stroke[],
  frame: Matrix,
  changed: Map<string, readonly Stroke[]>,
  maker: MotifMaker,
): Promise<string | undefined> {
  const strokesOf = (id: string): readonly Stroke[] | undefined => {
    const recipe = editor.motif(id)?.recipe;
    return changed.get(id) ?? (recipe?.kind === 'drawn' ? recipe.strokes : undefined);
  };
  const near = motifNear(editor, group, frame, NEAR, strokesOf);
  const letters = near?.strokes.reduce((sum, { points }) => sum + points.length, 0) ?? 0;
  if (!near || near.strokes.length > MOST_STROKES || letters > MOST_DRAWING_LETTERS) return undefined;
  await maker.remake(near.motif, { kind: 'drawn', strokes: [...near.strokes] });
  changed.set(near.motif, near.strokes);
  return near.placement;
}

async function layStrokes(
  strokes: readonly Stroke[],
  frame: Matrix,
  lay: (recipe: DrawnRecipe, at: Point) => Promise<void>,
): Promise<void> {
  const box = strokesBox(strokes);
  if (!box) return;
  const at = transform(frame, { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 });
  // On a hundredth of a mm, which is what points are kept in.
  const middle = { x: rounded(at.x), y: rounded(at.y) };
  const matrix = compose(translationMatrix(-middle.x, -middle.y), frame);
  await lay({ kind: 'drawn', strokes: strokes.map((stroke) => movedStroke(stroke, matrix)) }, middle);
}

function middleOf({ knots, period }: VineRecipe): Point {
  const [first] = knots;
  return first ? { x: rounded(first.x + period.x / 2), y: rounded(first.y + period.y / 2) } : { x: 0, y: 0 };
}

/** The first name by number that no motif has. */
function freeName(editor: DrawingHost, name: (count: number) => string): string {
  const names = new Set(editor.motifs.getState().map((motif) => motif.name));
  let n = 1;
  while (names.has(name(n))) n += 1;
  return name(n);
}

const rounded = (mm: number): number => Math.round(mm * 100) / 100;
