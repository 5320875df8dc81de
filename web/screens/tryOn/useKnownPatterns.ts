import { useMemo } from 'react';
import { type Product, sourceKey, sourcesOf, type TryOn } from '../../../core/tryon/index.ts';
import { ApiProblem } from '../../api/client.ts';
import { type Pattern, usePatterns } from '../../api/tryOns.ts';

export interface KnownPatterns {
  /** By what they are made of. */
  readonly patterns: ReadonlyMap<string, Pattern>;
  /** Those that are no longer there. */
  readonly missing: ReadonlySet<string>;
  /** Whether every one is either there or missing, so that none is still on its way. */
  readonly isComplete: boolean;
}

/** The patterns of a try-on, as far as they are there. */
export function useKnownPatterns(tryOn: TryOn, product: Product): KnownPatterns {
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
    const isAnswered = (of: string): boolean => patterns.has(of) || missing.has(of);
    return { patterns, missing, isComplete: sources.every((source) => isAnswered(sourceKey(source))) };
    // The same as long as no pattern has changed, so that nothing is painted anew.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key, keys]);
}
