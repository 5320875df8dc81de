import { useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { CheckedSeams } from '../../../contract/index.ts';
import { messageOf } from '../../../core/problem/index.ts';
import type { PictureFrame } from '../../../core/recipe/index.ts';
import type { OwnRepeat } from '../../../core/tile/index.ts';
import { checkSeams } from '../../api/scans.ts';
import type { TileOrder, TileWorker } from './tileWorker.ts';

/** ms that the frame has to be still before its edges are looked at. */
const STILL_MS = 250;

/** What is said of a frame's edges, or why nothing can be; undefined while it is looked at. */
export type SeenSeams = CheckedSeams | { readonly problem: string } | undefined;

/** Has the server look whether a frame on a picture is a tile by itself, at full size, once the frame is still. @param frame undefined asks for nothing */
export function useSeams(scan: string, frame: PictureFrame | undefined): SeenSeams {
  const [still, setStill] = useState<PictureFrame>();
  useEffect(() => {
    const timer = setTimeout(() => setStill(frame), STILL_MS);
    return () => clearTimeout(timer);
  }, [frame]);
  const { data, error } = useQuery({
    queryKey: ['seams', scan, still],
    queryFn: () => (still ? checkSeams(scan, still) : null),
    enabled: still !== undefined,
    staleTime: Infinity,
    retry: false,
  });
  if (still !== frame) return undefined;
  return error ? { problem: messageOf(error) } : (data ?? undefined);
}

/** The repeat that a picture shows by itself, in the picture's pixels; found in a worker. */
export async function findRepeat(picture: Pick<TileOrder, 'url' | 'pictureWidth'>): Promise<OwnRepeat | undefined> {
  const worker = new Worker(new URL('./tileWorker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<TileWorker>(worker).repeat(picture);
  } finally {
    worker.terminate();
  }
}
