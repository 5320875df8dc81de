import { useEffect, useRef, useState, type ReactNode } from 'react';

/** Tells its child how large its place is. */
export function Sized({ children }: { readonly children: (width: number, height: number) => ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const place = frame.current;
    if (!place) return;
    const observer = new ResizeObserver(() => setSize({ width: place.clientWidth, height: place.clientHeight }));
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  return (
    <div ref={frame} className="min-h-0 min-w-0 overflow-hidden border-l border-thread">
      {children(size.width, size.height)}
    </div>
  );
}
