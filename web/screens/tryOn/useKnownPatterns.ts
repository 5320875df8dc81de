import { useMemo } from 'react';
import { type Product, sourceKey, sourcesOf, type TryOn } from '../../../core/tryon/index.ts';
import { ApiProblem } from '../../api/client.ts';
import { type Pattern, usePatterns } from '../../api/tryOns.ts';

/** The patterns of a try-on by what they are made of, and those that are no longer there. */
export function useKnownPatterns(tryOn: TryOn, product: Product) {
  const sources = sourcesOf(tryOn, product.pieces);
  const results = usePatterns(sources);
  const key = results
    .map(({ dataUpdatedAt, isError, data }) => `${data?.state} ${isError} ${isError || dataUpdatedAt > 0}`)
    .join();
  const keys = sources.map(sourceKey).join();
  return useMemo(() => {
    const patterns = new Map<string, Pattern>();
    const missing = new Set<string>();
    results.forEach(({ data, error }, n) => {
      const source = sources[n];
      if (!source) return;
      if (error instanceof ApiProblem && error.status === 404) missing.add(sourceKey(source));
      else if (data) patterns.set(sourceKey(source), data);
    });
    return { patterns, missing };
    // The same as long as no pattern has changed, so that nothing is painted anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, keys]);
}
