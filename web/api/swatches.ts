import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { call } from './client.ts';

const LIST = ['swatches'];

export function useSwatches() {
  return useQuery({ queryKey: LIST, queryFn: () => call(contract.listSwatches, {}) });
}

export function useSwatch(id: string) {
  return useQuery({ queryKey: ['swatch', id], queryFn: () => call(contract.readSwatch, { params: { id } }) });
}

export function startSwatch(design: string, revision: number, name: string): Promise<contract.Job> {
  return call(contract.saveSwatch, { body: { design, revision, name } });
}

type Mutation = { readonly id: string } & ({ readonly name: string } | { readonly deleted: boolean });

/** Whatever changes the book: a new name, deleting, restoring. */
export function useSwatchMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...mutation }: Mutation): Promise<unknown> => {
      const params = { id };
      if ('name' in mutation) return call(contract.renameSwatch, { params, body: { name: mutation.name } });
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
