import type { Scan } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { ImageUp, ScanLine, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { formatNumber, MM_PER_INCH } from '../../../core/units/index.ts';
import { smallPictureUrl } from '../../api/client.ts';
import { importScan, SCANS, useScanMutation, useScans } from '../../api/scans.ts';
import { Button } from '../../ui/Button.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { useRemoval } from '../../ui/useRemoval.ts';
import { ScannerDialog } from './ScannerDialog.tsx';
import { TEXTS } from './texts.ts';

/** The workshop's shelf: scans and photographs waiting to be cleaned. */
export function Workshop() {
  const sheets = useScans();
  const client = useQueryClient();
  const navigate = useNavigate();
  const notifyProblem = useNotifyProblem();
  const [scanning, setScanning] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const bring = (picture: File): void =>
    void importScan(picture).then(async ({ id }) => {
      await client.invalidateQueries({ queryKey: SCANS });
      await navigate(`/workshop/${id}`);
    }, notifyProblem);
  return (
    <div
      className="flex h-full flex-col"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [picture] = event.dataTransfer.files;
        if (picture) bring(picture);
      }}
    >
      <Masthead>
        <Button onClick={() => file.current?.click()}>
          <ImageUp size={15} aria-hidden /> {TEXTS.importAPicture}
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          accept=".png,.jpg,.jpeg,.webp,.gif,.tif,.tiff,.avif,.svg,.svgz,.pdf"
          aria-label={TEXTS.pictureToClean}
          onChange={(event) => {
            const [picture] = event.target.files ?? [];
            if (picture) bring(picture);
            event.target.value = '';
          }}
        />
        <Button look="accent" onClick={() => setScanning(true)}>
          <ScanLine size={15} aria-hidden /> {TEXTS.scanASheet}
        </Button>
      </Masthead>
      <main className="grow overflow-auto px-8 pt-6 pb-10">
        <h1 className="font-name text-2xl font-semibold">{TEXTS.workshop}</h1>
        <p className="mt-1 max-w-xl text-sm text-graphite">{TEXTS.scansAndPhotographsAreCleaned}</p>
        {sheets.isError && (
          <p role="alert" className="mt-4 text-madder">
            {sheets.error.message}
          </p>
        )}
        {sheets.data?.length === 0 && <p className="mt-6 max-w-md text-sm">{TEXTS.nothingLiesHereYetScan}</p>}
        <ul
          aria-label={TEXTS.scans}
          className="mt-6 grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-x-6 gap-y-8"
        >
          {sheets.data?.map((sheet) => (
            <Shelved key={sheet.id} sheet={sheet} />
          ))}
        </ul>
      </main>
      <ScannerDialog open={scanning} onClose={() => setScanning(false)} />
    </div>
  );
}

function Shelved({ sheet }: { readonly sheet: Scan }) {
  const { id, name, preview, width, height, dpi } = sheet;
  const remove = useRemoval(useScanMutation(), TEXTS.nameWasDeletedMotifsMade);
  const mm = (pixels: number): string => formatNumber((pixels / dpi) * MM_PER_INCH, 0);
  return (
    <li className="group relative">
      <Link to={`/workshop/${id}`} className="block">
        <span className="grid h-60 place-items-center rounded-md border border-thread bg-linen p-3">
          <img
            src={smallPictureUrl(preview)}
            alt=""
            loading="lazy"
            className="max-h-full max-w-full object-contain shadow-float"
            style={{ maxHeight: 214 }}
          />
        </span>
        <span className="mt-2 block truncate pr-9 font-name text-base font-semibold" title={name}>
          {name}
        </span>
        <span className="block text-sm text-graphite">
          {TEXTS.mmMm2MmDpiDpi(mm(width), mm(height), formatNumber(dpi, 0))}
        </span>
      </Link>
      <Button
        look="quiet"
        label={TEXTS.takeNameOffTheShelf(name)}
        onClick={() => remove(sheet)}
        className="absolute right-0 bottom-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
