import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { call } from './client.ts';

const keyOf = (design: string): string[] => ['alternatives', design];

export function useAlternatives(design: string) {
  return useQuery({
    queryKey: keyOf(design),
    queryFn: () => call(contract.listAlternatives, { params: { id: design } }),
  });
}

/** The documents of some of them; what was kept never changes. */
export function useAlternativeDesigns(design: string, ids: readonly string[]) {
  return useQueries({
    queries: ids.map((id) => ({
      queryKey: ['alternative', design, id],
      queryFn: () => readAlternative(design, id),
      staleTime: Infinity,
    })),
  });
}

export function readAlternative(design: string, id: string): Promise<Design> {
  return call(contract.readAlternative, { params: { id: design, alternative: id } });
}

type Mutation = { keep: string; document?: Design } | { rename: string; id: string } | { drop: string };

/** Keeps, renames and deletes alternatives; the list follows. */
export function useAlternativeMutation(design: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (mutation: Mutation): Promise<unknown> => {
      if ('keep' in mutation)
        return call(contract.keepAlternative, {
          params: { id: design },
          body: { name: mutation.keep, document: mutation.document },
        });
      if ('rename' in mutation)
        return call(contract.renameAlternative, {
          params: { id: design, alternative: mutation.id },
          body: { name: mutation.rename },
        });
      return call(contract.deleteAlternative, { params: { id: design, alternative: mutation.drop } });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: keyOf(design) }),
  });
}
