import { type Point, smoothPolyline, transform } from '../../../core/geometry/index.ts';
import { invert, type Matrix } from '../../../core/geometry/index.ts';
import { instancesIn } from '../../../core/draw/index.ts';
import { nearestOnVine, VineCurve, vineBox, withKnotAt } from '../../../core/vine/index.ts';
import type { VineRecipe } from '../../../core/recipe/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { hasGone, type Gesture } from './gesture.ts';
import { panGesture } from './panGesture.ts';
import { lengthToMm, toMm } from '../viewport.ts';
import { TEXTS } from '../texts.ts';

/** A vine is easier to hit within this many CSS pixels. */
const REACH_PX = 8;

/** Draws a vine where there is none; bends the one that there is where it is taken, and pans the cloth elsewhere. */
export function vineGesture(context: GestureContext, from: Point): Gesture {
  const { editor, view } = context;
  const { vine } = editor.drawing.vines;
  if (!vine) return newVine(context, from);
  const viewport = view.getViewport();
  const at = toMm(viewport, from);
  const reach = lengthToMm(viewport, { x: REACH_PX, y: 0 }).x;
  const { frame } = editor.drawing.drawn.getState();
  const spot = { left: at.x - reach, top: at.y - reach, right: at.x + reach, bottom: at.y + reach };
  const curve = new VineCurve(vine);
  for (const matrix of instancesIn(editor.lattice, frame, vineBox(curve), spot)) {
    const back = invert(matrix);
    const near = back && nearestOnVine(curve, transform(back, at));
    if (!near || near.distance > near.width / 2 + reach) continue;
    const denser = withKnotAt(vine, near.length);
    const knot = denser.knots.findIndex((one) => !vine.knots.includes(one));
    return knotGesture(context, denser, knot, matrix);
  }
  return panGesture(context, from);
}

function newVine({ editor: { drawing, refusal }, view, line, local }: GestureContext, from: Point): Gesture {
  const path = [from];
  const onPlane = (): Point[] => {
    const viewport = view.getViewport();
    return smoothPolyline(path.map((at) => toMm(viewport, at)));
  };
  return {
    move(event) {
      const at = local(event);
      if (!hasGone(path.at(-1) as Point, at)) return;
      path.push(at);
      line.set([...path]);
      drawing.vines.draw(onPlane(), false);
    },
    end() {
      if (path.length < 2) return;
      if (!drawing.vines.draw(onPlane(), true)) refusal.set(TEXTS.theVineLeadsNowhere);
    },
    cancel: () => drawing.vines.draft.set(undefined),
  };
}

/**
 * Moves a knot of a vine: all its instances follow.
 *
 * @param vine with the knot in it
 * @param matrix from the vine's own mm to where it is seen
 */
export function knotGesture(
  { editor: { drawing }, view, local }: GestureContext,
  vine: VineRecipe,
  knot: number,
  matrix: Matrix,
): Gesture {
  const back = invert(matrix);
  let bent: VineRecipe | undefined;
  drawing.vines.knot.set(knot);
  return {
    move(event) {
      if (!back) return;
      const to = transform(back, toMm(view.getViewport(), local(event)));
      bent = { ...vine, knots: vine.knots.map((one, n) => (n === knot ? { ...one, ...to } : one)) };
      drawing.vines.bend(bent);
    },
    end() {
      if (bent) drawing.setVine(bent);
    },
    cancel: () => drawing.vines.draft.set(undefined),
  };
}
