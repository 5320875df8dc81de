import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Box } from '../../../core/geometry/index.ts';
import {
  fillOf,
  flatOutlines,
  patternIn,
  patternOntoCloth,
  type Product,
  type ProductDrawing,
  sourceKey,
  type TryOn,
} from '../../../core/tryon/index.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import type { LayService } from './layMessages.ts';

/** What of a pattern is seen on a piece, mm of the pattern. */
export interface PiecePicture extends Box {
  readonly url: string;
}

/** Pixels of a picture's longer side, and to a mm, at the most. */
const [MOST_SIDE, MOST_DENSITY] = [800, 4];

/** What is printed on the flat pieces of a product, by their ids, each as soon as it is painted; a piece without one stays plain. */
export function useClothPictures(
  isWanted: boolean,
  product: Product,
  drawing: ProductDrawing,
  tryOn: TryOn,
  patterns: ReadonlyMap<string, Pattern>,
): ReadonlyMap<string, PiecePicture> {
  const notifyProblem = useNotifyProblem();
  const [pictures, setPictures] = useState<ReadonlyMap<string, PiecePicture>>(new Map());
  useEffect(() => {
    if (!isWanted) return;
    const worker = new Worker(new URL('./layWorker.ts', import.meta.url), { type: 'module' });
    const service = wrap<LayService>(worker);
    const urls: string[] = [];
    let left = false;
    const paint = async (): Promise<void> => {
      for (const { piece, bounds } of flatOutlines(product, drawing)) {
        const fill = fillOf(tryOn, piece.id);
        const pattern = patterns.get(sourceKey(fill.source))?.pattern;
        if (!pattern) continue;
        const part = patternIn({ ontoCloth: patternOntoCloth(piece, fill) }, bounds);
        const longer = Math.max(part.right - part.left, part.bottom - part.top);
        const { blob, ...box } = await service.paint(
          pattern.design,
          pattern.motifs,
          part,
          Math.min(MOST_DENSITY, MOST_SIDE / longer),
        );
        if (left) return;
        const url = URL.createObjectURL(blob);
        urls.push(url);
        setPictures((before) => new Map(before).set(piece.id, { url, ...box }));
      }
    };
    // Plain pieces are laid as well as printed ones, so that a pattern which cannot be painted is no reason to stop.
    paint().catch(notifyProblem);
    return () => {
      left = true;
      worker.terminate();
      for (const url of urls) URL.revokeObjectURL(url);
      setPictures(new Map());
    };
  }, [isWanted, product, drawing, tryOn, patterns, notifyProblem]);
  return pictures;
}
