import { LoaderCircle } from 'lucide-react';
import { useOverdue } from './useOverdue.ts';

interface Props {
  readonly isBusy: boolean;
  /** What is being done. */
  readonly children: string;
}

/** Says over a picture, in its corner, that a newer one is on its way; nothing where that is there soon. */
export function WorkingSign({ isBusy, children }: Props) {
  const isOverdue = useOverdue(isBusy);
  return (
    <span
      role="status"
      className="pointer-events-none absolute top-2 left-2 z-10 flex items-center gap-1.5 rounded-sm text-sm data-shown:bg-calico/90 data-shown:px-2 data-shown:py-1"
      data-shown={isOverdue || undefined}
    >
      {isOverdue && (
        <>
          <LoaderCircle size={14} aria-hidden className="animate-spin" /> {children}
        </>
      )}
    </span>
  );
}
