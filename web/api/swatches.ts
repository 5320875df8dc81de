import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { call } from './client.ts';

const LIST = ['swatches'];

export function useSwatches() {
  return useQuery({ queryKey: LIST, queryFn: () => call(contract.listSwatches, {}) });
}

/** Deleted swatches that can still be restored. */
export function useSwatchBin() {
  return useQuery({ queryKey: ['swatches', 'bin'], queryFn: () => call(contract.listBin, {}) });
}

export function useSwatch(id: string) {
  return useQuery({ queryKey: ['swatch', id], queryFn: () => call(contract.readSwatch, { params: { id } }) });
}

export function useVersions(id: string) {
  return useQuery({
    queryKey: ['swatch', id, 'versions'],
    queryFn: () => call(contract.listVersions, { params: { id } }),
  });
}

/** What two versions of a swatch differ in. */
export function useComparison(id: string, from: number, to: number, enabled: boolean) {
  return useQuery({
    queryKey: ['swatch', id, 'comparison', from, to],
    queryFn: () => call(contract.compareVersions, { params: { id }, body: { from, to } }),
    // Versions never change.
    staleTime: Infinity,
    enabled,
  });
}

/** Saves a design as new swatches, one for each colourway, or in one colourway as a new version of a swatch. */
export function startSwatch(
  design: string,
  revision: number,
  as: { readonly name: string } | { readonly swatch: string; readonly note: string },
  colourways: readonly string[],
): Promise<contract.Job> {
  return call(contract.saveSwatch, { body: { design, revision, colourways, ...as } });
}

type Mutation = { readonly id: string } & (
  | {
      readonly details: Partial<contract.SwatchDetails>;
      /** The tags as they were seen, where they are changed. */
      readonly tagsWere?: readonly string[] | undefined;
    }
  | { readonly deleted: boolean }
  | { readonly restore: number }
);

/** Whatever changes the book: its words, deleting, restoring. */
export function useSwatchMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...mutation }: Mutation): Promise<unknown> => {
      const params = { id };
      if ('details' in mutation)
        return call(contract.changeSwatch, { params, body: { ...mutation.details, tagsWere: mutation.tagsWere } });
      if ('restore' in mutation) return call(contract.restoreVersion, { params: { id, number: mutation.restore } });
      return call(mutation.deleted ? contract.deleteSwatch : contract.restoreSwatch, { params });
    },
    onSuccess: async (_result, { id }) => {
      await client.invalidateQueries({ queryKey: LIST });
      await client.invalidateQueries({ queryKey: ['swatch', id] });
    },
  });
}

/** Opens the swatch's design as it was; says which design that is and whether it had to be copied. */
export function openSwatch(id: string): Promise<{ readonly design: string; readonly copied: boolean }> {
  return call(contract.openSwatch, { params: { id } });
}
