import type { ReactNode } from 'react';
import type { JobWatch } from '../api/jobs.ts';
import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { DialogFoot } from './DialogFoot.tsx';
import { JobProgress } from './JobProgress.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly watch: JobWatch;
  readonly doing: string;
  readonly action: string;
  readonly onStart: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A dialog whose one button has a file made, which is then downloaded. */
export function FileJob({ title, open, watch, doing, action, onStart, onClose, children }: Props) {
  // Whoever leaves does not want it any more.
  const leave = (): void => {
    watch.stop();
    onClose();
  };
  return (
    <Dialog title={title} open={open} onClose={leave}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          onStart();
        }}
      >
        {children}
        <DialogFoot progress={<JobProgress watch={watch} doing={doing} />}>
          <Button onClick={leave}>{TEXTS.cancel}</Button>
          <Button type="submit" look="accent" disabled={watch.running}>
            {action}
          </Button>
        </DialogFoot>
      </form>
    </Dialog>
  );
}
