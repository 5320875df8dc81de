import { startScan as startScanRoute } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useJob } from '../../api/jobs.ts';
import { SCANS, startScan, useJamClearing, useScanner } from '../../api/scans.ts';
import { Button } from '../../ui/Button.tsx';
import { DialogFoot } from '../../ui/DialogFoot.tsx';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TEXTS } from './texts.ts';

/** The simulated scanner: which sheet, how finely, how far it is, and what to do when it jams. */
export function ScannerDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const scanner = useScanner(open);
  const clearing = useJamClearing();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [original, setOriginal] = useState<string>();
  const [dpi, setDpi] = useState(300);
  const watch = useJob(startScanRoute, ({ scan }) => {
    void client.invalidateQueries({ queryKey: SCANS });
    void navigate(`/workshop/${scan}`);
  });
  const leave = (): void => {
    watch.stop();
    onClose();
  };
  const state = scanner.data;
  const chosen = original ?? state?.originals[0]?.id;
  return (
    <Dialog title={TEXTS.scanASheet} open={open} onClose={leave} isBusy={watch.running}>
      <div className="grid gap-4">
        <p className="text-sm text-graphite">{TEXTS.aSimulatedScannerWithThree}</p>
        <fieldset className="grid gap-1">
          <legend className="mb-1 text-xs text-graphite">{TEXTS.sheet}</legend>
          {state?.originals.map(({ id, name }) => (
            <label key={id} className="flex h-8 cursor-pointer items-center gap-2 text-sm">
              <input
                type="radio"
                name="original"
                checked={chosen === id}
                onChange={() => setOriginal(id)}
                className="h-4 w-4 accent-ink"
              />{' '}
              {name}
            </label>
          ))}
        </fieldset>
        <fieldset className="flex gap-4">
          <legend className="mb-1 text-xs text-graphite">{TEXTS.fineness}</legend>
          {state?.densities.map((one) => (
            <label key={one} className="flex h-8 cursor-pointer items-center gap-2 text-sm">
              <input
                type="radio"
                name="dpi"
                checked={dpi === one}
                onChange={() => setDpi(one)}
                className="h-4 w-4 accent-ink"
              />
              {TEXTS.oneDpi(one)}
            </label>
          ))}
        </fieldset>
        {scanner.isError && (
          <p role="alert" className="text-sm text-madder">
            {scanner.error.message}
          </p>
        )}
        <DialogFoot progress={<JobProgress watch={watch} doing={TEXTS.scanning} />}>
          <Button onClick={leave}>{TEXTS.cancel}</Button>
          {state?.jammed && !watch.running ? (
            <Button look="accent" onClick={() => clearing.mutate()}>
              {TEXTS.clearTheJam}
            </Button>
          ) : (
            <Button
              look="accent"
              disabled={watch.running || chosen === undefined}
              onClick={() => watch.start(() => startScan(chosen as string, dpi))}
            >
              {TEXTS.scan}
            </Button>
          )}
        </DialogFoot>
      </div>
    </Dialog>
  );
}
