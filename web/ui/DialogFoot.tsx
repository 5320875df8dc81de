import type { ReactNode } from 'react';

interface Props {
  /** How far what was begun is, above the actions. */
  readonly progress?: ReactNode;
  readonly children: ReactNode;
}

/** The actions of a dialog, in sight however far it is scrolled. */
export function DialogFoot({ progress, children }: Props) {
  return (
    <div className="sticky -bottom-5 z-10 -mx-5 -mb-5 grid gap-2 border-t border-thread bg-calico px-5 py-3">
      {progress}
      <div className="flex items-center justify-end gap-2">{children}</div>
    </div>
  );
}
