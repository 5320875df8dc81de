import { useQueryClient } from '@tanstack/react-query';
import { Archive } from 'lucide-react';
import { startBackup as startBackupRoute } from '../../../contract/index.ts';
import { BACKUPS, startBackup, useBackups } from '../../api/backups.ts';
import { useJob } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { download } from '../../ui/download.ts';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { TEXTS } from './texts.ts';

/** Saves the whole studio as one file, and says when that was last done. */
export function BackUp() {
  const { data } = useBackups();
  const client = useQueryClient();
  const watch = useJob(startBackupRoute, ({ href, fileName }) => {
    download(href, fileName);
    void client.invalidateQueries({ queryKey: BACKUPS });
  });
  const last = data?.[0];
  return (
    <section aria-label={TEXTS.backup} className="flex items-center gap-3 text-xs text-graphite">
      {watch.running || watch.error !== undefined ? (
        <JobProgress watch={watch} doing={TEXTS.backingUp} />
      ) : (
        data && (
          <span className="whitespace-nowrap">
            {last ? TEXTS.lastBackedUp(when(last.madeAt)) : TEXTS.neverBackedUp}
          </span>
        )
      )}
      {!watch.running && (
        <Button onClick={() => watch.start(startBackup)}>
          <Archive size={15} aria-hidden /> {TEXTS.backUp}
        </Button>
      )}
    </section>
  );
}

function when(madeAt: string): string {
  const made = new Date(madeAt);
  const time = made.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return made.toDateString() === new Date().toDateString()
    ? TEXTS.todayAt(time)
    : TEXTS.onDayAt(made.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' }), time);
}
