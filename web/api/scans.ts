import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { CleanSteps } from '../../core/recipe/index.ts';
import { call, upload } from './client.ts';
import type { Job } from './jobs.ts';

/** A scan or a photograph on the workshop's shelf. */
export interface ScannedSheet {
  readonly id: string;
  readonly name: string;
  /** Address of the picture as it came, and of a smaller one for the screen. */
  readonly picture: string;
  readonly preview: string;
  /** Pixels of the picture as it came. */
  readonly width: number;
  readonly height: number;
  readonly dpi: number;
  readonly steps: CleanSteps;
}

export interface ScannerState {
  readonly originals: readonly { readonly id: string; readonly name: string }[];
  readonly densities: readonly number[];
  readonly jammed: boolean;
}

export const SHEETS = ['sheets'];
const SCANNER = ['scanner'];

export function useSheets() {
  return useQuery({ queryKey: SHEETS, queryFn: () => call<ScannedSheet[]>('GET', '/sheets') });
}

export function useSheet(id: string) {
  return useQuery({ queryKey: [...SHEETS, id], queryFn: () => call<ScannedSheet>('GET', `/sheets/${id}`) });
}

/** Whatever changes a sheet on the shelf. */
export function useScanMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({
      id,
      ...deed
    }: { id: string } & ({ change: Partial<Pick<ScannedSheet, 'name' | 'dpi' | 'steps'>> } | { deleted: boolean })) => {
      if ('change' in deed) return call<unknown>('PATCH', `/sheets/${id}`, deed.change);
      return deed.deleted ? call<unknown>('DELETE', `/sheets/${id}`) : call<unknown>('POST', `/sheets/${id}/restore`);
    },
    onSuccess: () => client.invalidateQueries({ queryKey: SHEETS }),
  });
}

export function bringSheet(file: File): Promise<ScannedSheet> {
  return upload<ScannedSheet>(
    'POST',
    `/sheets?name=${encodeURIComponent(file.name)}`,
    file,
    () => undefined,
    new AbortController().signal,
  );
}

/** The sheet that a picture motif can be cleaned on. */
export function sheetOfMotif(motif: string): Promise<ScannedSheet> {
  return call<ScannedSheet>('POST', `/sheets/of-motif/${motif}`);
}

/** Begins to clean a sheet into motifs of a collection, or into the motif that is replaced. */
export function startCleaning(
  id: string,
  wish: { name: string; collection: string; steps: CleanSteps; replace?: string },
): Promise<Job> {
  return call<Job>('POST', `/sheets/${id}/motifs`, wish);
}

/** The scanner as it is; asked again and again while it is looked at, since a sheet can jam at any time. */
export function useScanner(looking: boolean) {
  return useQuery({
    queryKey: SCANNER,
    queryFn: () => call<ScannerState>('GET', '/scanner'),
    refetchInterval: looking ? 700 : false,
  });
}

export function startScan(original: string, dpi: number): Promise<Job> {
  return call<Job>('POST', '/scanner/scan', { original, dpi });
}

export function useJamClearing() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call<ScannerState>('POST', '/scanner/clear'),
    onSuccess: (state) => client.setQueryData(SCANNER, state),
  });
}
