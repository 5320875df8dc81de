import { useRef, type ReactNode } from 'react';
import { useSize } from '../../ui/useSize.ts';

/** Tells its child how large its place is. */
export function Sized({ children }: { readonly children: (width: number, height: number) => ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  return (
    <div ref={frame} className="min-h-0 min-w-0 overflow-hidden border-l border-thread">
      {children(width, height)}
    </div>
  );
}
