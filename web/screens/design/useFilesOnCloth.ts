import { useCallback, useEffect, useRef, useState } from 'react';
import { nanoid } from 'nanoid';
import type { Point } from '../../../core/geometry/index.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Editor } from '../../editor/editor.ts';
import { type Arrival, isComing, useImports } from '../drawer/imports.ts';

/** From one file to the next of the same drop, mm. */
const APART = 8;

/** Files that came together, and where their motifs are to lie. */
interface Batch {
  readonly id: string;
  /** Where they were dropped: what is opened meanwhile does not get them. */
  readonly editor: Editor;
  readonly at: Point;
}

/** A file on its way onto the cloth, and its place there, mm. */
export interface ComingToCloth {
  readonly arrival: Arrival;
  readonly at: Point;
}

const placeOf = ({ at }: Batch, n: number): Point => ({ x: at.x + n * APART, y: at.y + n * APART });

/**
 * Imports files and lays their motifs where they were dropped or pasted, those that came together as one step once all have come.
 *
 * @returns what is on its way, and what files are given to
 */
export function useFilesOnCloth(): {
  readonly coming: readonly ComingToCloth[];
  readonly lay: (files: readonly File[], at: Point) => void;
} {
  const editor = useEditor();
  const { arrivals, bringFiles } = useImports();
  const laid = useRef(new Set<string>());
  const [batches, setBatches] = useState<readonly Batch[]>([]);
  const lay = useCallback(
    (files: readonly File[], at: Point) => {
      if (files.length === 0) return;
      const id = nanoid();
      setBatches((before) => [...before.filter((batch) => !laid.current.has(batch.id)), { id, editor, at }]);
      bringFiles(files, { batch: id });
    },
    [editor, bringFiles],
  );
  useEffect(() => {
    const isOver = ({ id }: Batch): boolean => {
      const own = arrivals.filter(({ batch }) => batch === id);
      return own.length > 0 && !own.some(isComing);
    };
    for (const batch of batches.filter(isOver)) {
      // Once, whatever else arrives later.
      if (laid.current.has(batch.id)) continue;
      laid.current.add(batch.id);
      const motifs = arrivals.flatMap(({ batch: of, motif }) => (of === batch.id && motif ? [motif] : []));
      for (const motif of motifs) batch.editor.learnPicked({ ...motif, deleted: false });
      batch.editor.placeAll(motifs.map((motif, n) => ({ motif: { ...motif, deleted: false }, at: placeOf(batch, n) })));
    }
  }, [arrivals, batches]);
  const coming = batches.flatMap((batch) =>
    arrivals
      .filter(({ batch: of }) => of === batch.id)
      .map((arrival, n) => ({ arrival, at: placeOf(batch, n) }))
      .filter(({ arrival }) => isComing(arrival)),
  );
  return { coming, lay };
}
