import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { importFile, MOTIFS, type DrawerMotif } from '../api/motifs.ts';
import { Cell, useStore } from './store.ts';

/** One file on its way to become a motif. */
export interface Arrival {
  readonly id: number;
  readonly name: string;
  /** 0 to 1 while it is sent; the server reads it after that. */
  readonly progress: number;
  readonly state: 'waiting' | 'coming' | 'here' | 'refused';
  readonly motif?: DrawerMotif;
  /** What there is to say: why it was refused, or what could not be kept. */
  readonly notes: readonly string[];
  readonly stop: () => void;
}

/** Files in hand, over all screens; so a folded ticket loses none. */
const arrivals = new Cell<readonly Arrival[]>([]);
let next = 1;
/** Sent at the same time; more would only wait on the server. */
const AT_ONCE = 2;

function change(id: number, to: Partial<Arrival>): void {
  arrivals.set(arrivals.getState().map((one) => (one.id === id ? { ...one, ...to } : one)));
}

/** Brings files in, each with its own progress and its own outcome. */
export function useImports(): { arrivals: readonly Arrival[]; bringFiles: (files: readonly File[]) => void; clear: () => void } {
  const client = useQueryClient();
  const bringFiles = useCallback(
    (files: readonly File[]) => {
      const queue = files.map((file) => {
        const stopper = new AbortController();
        const arrival: Arrival = { id: next, name: file.name, progress: 0, state: 'waiting', notes: [], stop: () => stopper.abort() };
        next += 1;
        return { file, stopper, arrival };
      });
      arrivals.set([...arrivals.getState().filter(({ state }) => state !== 'here'), ...queue.map(({ arrival }) => arrival)]);
      const work = async (): Promise<void> => {
        for (let one = queue.shift(); one; one = queue.shift()) {
          const { id } = one.arrival;
          try {
            one.stopper.signal.throwIfAborted();
            change(id, { state: 'coming' });
            const { motif, notes } = await importFile(one.file, (progress) => change(id, { progress }), one.stopper.signal);
            change(id, { state: 'here', progress: 1, motif, notes });
            await client.invalidateQueries({ queryKey: MOTIFS });
          } catch (error) {
            const aborted = one.stopper.signal.aborted;
            change(id, { state: 'refused', notes: [aborted ? 'Stopped. Nothing was added.' : error instanceof Error ? error.message : String(error)] });
          }
        }
      };
      for (let n = 0; n < AT_ONCE; n += 1) void work();
    },
    [client],
  );
  return { arrivals: useStore(arrivals), bringFiles, clear: () => arrivals.set(arrivals.getState().filter(({ state }) => state === 'waiting' || state === 'coming')) };
}
