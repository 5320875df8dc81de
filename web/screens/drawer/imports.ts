import type { ImportReport, StoredMotif } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { importCollection, importFile, MOTIFS, rereadMotif } from '../../api/motifs.ts';
import { isCollection, isZip, unpackZip } from './files.ts';
import { Cell, useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** One file on its way to become a motif. */
export interface Arrival {
  readonly id: number;
  readonly name: string;
  /** 0 to 1 while it is sent; the server reads it after that. */
  readonly progress: number;
  readonly state: 'waiting' | 'coming' | 'here' | 'refused';
  readonly motif?: StoredMotif;
  /** What there is to say: why it was refused, or what could not be kept. */
  readonly notes: readonly string[];
  /** Fonts that it asks for and the studio has not got. */
  readonly fonts: ImportReport['fonts'];
  readonly stop: () => void;
  /** What it came with, where that was told apart: a drop on the cloth, or something pasted. */
  readonly batch?: string | undefined;
}

/** Files in hand, over all screens; so a folded ticket loses none. */
const arrivals = new Cell<readonly Arrival[]>([]);
let next = 1;
/** Sent at the same time; more would only wait on the server. */
const AT_ONCE = 4;

function change(id: number, to: Partial<Arrival>): void {
  arrivals.set(arrivals.getState().map((arrival) => (arrival.id === id ? { ...arrival, ...to } : arrival)));
}

/** How files are brought in, and how far those in hand are. */
interface Imports {
  readonly arrivals: readonly Arrival[];
  /** Brings files in, each with its own progress and its own outcome; a ZIP comes as the drawings in it. */
  readonly bringFiles: (
    files: readonly File[],
    from?: { readonly collection?: string; readonly batch?: string },
  ) => void;
  /** Reads the files of motifs again, with the fonts that the studio has by then. @throws ApiProblem */
  readonly readAgain: (motifs: readonly string[]) => Promise<void>;
  readonly clear: () => void;
}

/** Whether it is still on its way. */
export const isComing = ({ state }: Arrival): boolean => state === 'waiting' || state === 'coming';

interface Coming {
  readonly file: File;
  readonly stopper: AbortController;
  readonly arrival: Arrival;
}

function announce(file: File, batch: string | undefined): Coming {
  const stopper = new AbortController();
  const arrival: Arrival = {
    id: next,
    name: file.name,
    progress: 0,
    state: 'waiting',
    notes: [],
    fonts: [],
    batch,
    stop: () => stopper.abort(),
  };
  next += 1;
  arrivals.set([...arrivals.getState(), arrival]);
  return { file, stopper, arrival };
}

export function useImports(): Imports {
  const client = useQueryClient();
  const bringFiles = useCallback(
    (files: readonly File[], { collection, batch }: { readonly collection?: string; readonly batch?: string } = {}) => {
      // Of those that are laid together, all stay until the last has come.
      const open = new Set(arrivals.getState().flatMap((one) => (isComing(one) ? (one.batch ?? []) : [])));
      arrivals.set(
        arrivals.getState().filter(({ state, batch }) => state !== 'here' || (batch !== undefined && open.has(batch))),
      );
      const queue = files.map((file) => announce(file, batch));
      const bring = async ({ file, stopper, arrival: { id } }: Coming): Promise<void> => {
        try {
          stopper.signal.throwIfAborted();
          change(id, { state: 'coming' });
          const content = isZip(file) ? new Uint8Array(await file.arrayBuffer()) : undefined;
          if (content && (await isCollection(content))) {
            const { name, motifs, known } = await importCollection(
              file,
              (progress) => change(id, { progress }),
              stopper.signal,
            );
            const there = known > 0 ? TEXTS.ofThemWereThereAlready(known, motifs.length) : '';
            change(id, {
              state: 'here',
              progress: 1,
              notes: [TEXTS.theCollectionNameMotifsThere(name, motifs.length, there)],
            });
            await client.invalidateQueries({ queryKey: MOTIFS });
            return;
          }
          if (content) {
            const { files: inside, problem } = await unpackZip(file.name, content);
            queue.push(...inside.map((file) => announce(file, batch)));
            change(id, {
              state: inside.length > 0 ? 'here' : 'refused',
              progress: 1,
              notes: [
                ...(inside.length > 0
                  ? [inside.length === 1 ? TEXTS.oneDrawingTakenOut : TEXTS.countDrawingsTakenOut(inside.length)]
                  : []),
                ...(problem ? [problem] : []),
              ],
            });
            return;
          }
          const { motif, notes, fonts } = await importFile(
            file,
            collection,
            (progress) => change(id, { progress }),
            stopper.signal,
          );
          change(id, { state: 'here', progress: 1, motif, notes, fonts });
          await client.invalidateQueries({ queryKey: MOTIFS });
        } catch (error) {
          const why = stopper.signal.aborted
            ? TEXTS.stoppedNothingWasAdded
            : error instanceof Error
              ? error.message
              : String(error);
          change(id, { state: 'refused', notes: [why] });
        }
      };
      const work = async (): Promise<void> => {
        for (let coming = queue.shift(); coming; coming = queue.shift()) await bring(coming);
      };
      for (let n = 0; n < AT_ONCE; n += 1) void work();
    },
    [client],
  );
  const readAgain = useCallback(
    async (motifs: readonly string[]) => {
      for (const motif of motifs) {
        const report = await rereadMotif(motif);
        for (const arrival of arrivals.getState())
          if (arrival.motif?.id === motif) change(arrival.id, { notes: report.notes, fonts: report.fonts });
      }
      await client.invalidateQueries({ queryKey: MOTIFS });
    },
    [client],
  );
  return {
    arrivals: useStore(arrivals),
    bringFiles,
    readAgain,
    clear: () => arrivals.set(arrivals.getState().filter(isComing)),
  };
}
