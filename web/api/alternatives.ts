import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Design } from '../../core/document/index.ts';
import { call } from './client.ts';

/** An arrangement of a design that was kept under a name. */
export interface Alternative {
  readonly id: string;
  readonly name: string;
  readonly keptAt: string;
  readonly motifs: number;
}

const keyOf = (design: string): string[] => ['alternatives', design];

export function useAlternatives(design: string) {
  return useQuery({
    queryKey: keyOf(design),
    queryFn: () => call<Alternative[]>('GET', `/designs/${design}/alternatives`),
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
  return call<Design>('GET', `/designs/${design}/alternatives/${id}`);
}

/** Keeps, renames and takes away alternatives; the list follows. */
export function useAlternativeMutation(design: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (
      deed: { keep: string; document?: Design } | { rename: string; id: string } | { drop: string },
    ): Promise<unknown> => {
      const path = `/designs/${design}/alternatives`;
      if ('keep' in deed)
        return call('POST', path, { name: deed.keep, ...(deed.document && { document: deed.document }) });
      if ('rename' in deed) return call('PATCH', `${path}/${deed.id}`, { name: deed.rename });
      return call('DELETE', `${path}/${deed.drop}`);
    },
    onSuccess: () => client.invalidateQueries({ queryKey: keyOf(design) }),
  });
}
