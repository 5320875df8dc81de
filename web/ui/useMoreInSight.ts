import { useCallback, useEffect, useRef } from 'react';

/** A list that is fetched page by page. */
interface Pages {
  readonly hasNextPage: boolean;
  readonly isFetchingNextPage: boolean;
  fetchNextPage(): Promise<unknown>;
}

/** A ref for what stands at the end of a list: when it comes into sight, the next page is fetched. */
export function useMoreInSight(pages: Pages): (end: Element | null) => void {
  const latest = useRef(pages);
  useEffect(() => {
    latest.current = pages;
  });
  const observer = useRef<IntersectionObserver>(undefined);
  return useCallback((end) => {
    observer.current?.disconnect();
    if (!end) return;
    observer.current = new IntersectionObserver(
      (entries) => {
        const { hasNextPage, isFetchingNextPage, fetchNextPage } = latest.current;
        // What fails shows in the query's own error.
        if (entries.some(({ isIntersecting }) => isIntersecting) && hasNextPage && !isFetchingNextPage)
          void fetchNextPage();
      },
      { rootMargin: '400px' },
    );
    observer.current.observe(end);
  }, []);
}
