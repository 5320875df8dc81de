import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { CleanSteps, PictureFrame } from '../../core/recipe/index.ts';
import type { TileWish } from '../../core/tile/index.ts';
import { call, upload } from './client.ts';

export const SCANS = ['scans'];
const SCANNER = ['scanner'];

export function useScans() {
  return useQuery({ queryKey: SCANS, queryFn: () => call(contract.listScans, {}) });
}

export function useScan(id: string) {
  return useQuery({ queryKey: [...SCANS, id], queryFn: () => call(contract.readScan, { params: { id } }) });
}

type Mutation = { readonly id: string } & (
  | {
      readonly change: Partial<Pick<contract.Scan, 'name' | 'dpi' | 'steps'>>;
      /** The steps as they were seen, where they are changed. */
      readonly stepsWere?: CleanSteps;
    }
  | { readonly deleted: boolean }
);

/** Whatever changes a scan on the shelf. */
export function useScanMutation() {
  const client = useQueryClient();
  return useMutation({
    // One after the other: each says what the one before it left.
    scope: { id: 'scans' },
    mutationFn: ({ id, ...mutation }: Mutation): Promise<unknown> => {
      const params = { id };
      if ('change' in mutation) {
        const { name, steps, dpi } = mutation.change;
        return call(contract.changeScan, { params, body: { name, steps, dpi, stepsWere: mutation.stepsWere } });
      }
      return call(mutation.deleted ? contract.deleteScan : contract.restoreScan, { params });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: SCANS }),
  });
}

export function importScan(file: File): Promise<contract.Scan> {
  return upload(contract.importScan, { query: { name: file.name } }, file);
}

/** The scan that a picture motif can be cleaned on. */
export function scanOfMotif(motif: string): Promise<contract.Scan> {
  return call(contract.scanOfMotif, { params: { id: motif } });
}

/** Begins to clean a scan into motifs of a collection, or into the motif that is replaced. */
export function startCleaning(
  id: string,
  wish: { name: string; collection: string; steps: CleanSteps; replace: string | undefined; layOut: boolean },
): Promise<contract.Job> {
  return call(contract.cleanScan, { params: { id }, body: wish });
}

/** Whether what a frame shows of a picture is a tile by itself. */
export function checkSeams(id: string, frame: PictureFrame): Promise<contract.CheckedSeams> {
  return call(contract.checkSeams, { params: { id }, body: { frame } });
}

/** Begins to make a picture repeat: a motif and a design of it, or the motif that is replaced. */
export function startTile(
  id: string,
  wish: TileWish & { readonly name: string; readonly collection: string; readonly replace: string | undefined },
): Promise<contract.Job> {
  const { name, collection, frame, width, way, clones, replace } = wish;
  return call(contract.makeTile, { params: { id }, body: { name, collection, frame, width, way, clones, replace } });
}

/** The scanner as it is; asked again and again while it is looked at, since a sheet can jam at any time. */
export function useScanner(looking: boolean) {
  return useQuery({
    queryKey: SCANNER,
    queryFn: () => call(contract.readScanner, {}),
    refetchInterval: looking ? 700 : false,
  });
}

export function startScan(original: string, dpi: number): Promise<contract.Job> {
  return call(contract.startScan, { body: { original, dpi } });
}

export function useJamClearing() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call(contract.clearJam, {}),
    onSuccess: (state) => client.setQueryData(SCANNER, state),
  });
}
