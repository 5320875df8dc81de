import type { Point } from '../../../core/geometry/index.ts';
import { fillGesture } from './fillGesture.ts';
import type { Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';
import { hideGesture } from './hideGesture.ts';
import { lineGesture } from './lineGesture.ts';
import { penGesture } from './penGesture.ts';
import { pointsGesture } from './pointsGesture.ts';
import { shadeGesture } from './shadeGesture.ts';
import { removeGesture, strokeGesture } from './strokeGesture.ts';
import { vineGesture } from './vineGesture.ts';

/** What a press on the cloth begins while the hand draws, by the tool that it has. */
export function drawGesture(context: GestureContext, event: PointerEvent, at: Point): Gesture {
  const { drawing, scatterBrush } = context.editor;
  switch (drawing.tool.getState()) {
    case 'brush':
      return strokeGesture(context, event, 'line');
    case 'pen':
      return penGesture(context, event, at);
    case 'rubber':
      return strokeGesture(context, event, 'rubber');
    case 'remove':
      return removeGesture(context, event);
    case 'fill':
      return fillGesture(context, at);
    case 'shade':
      return shadeGesture(context, at);
    case 'points':
      return pointsGesture(context, event, at);
    case 'hide':
      return hideGesture(context, event, at);
    case 'vine':
      return vineGesture(context, at);
    case 'scatter':
      return lineGesture(context, at, (line) => scatterBrush.run(line), true);
  }
}
