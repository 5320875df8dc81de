import { cleanScan } from '../../../contract/index.ts';
import type { Scan } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { Columns2, Grid2x2 } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Point } from '../../../core/geometry/index.ts';
import type { CleanSteps } from '../../../core/recipe/index.ts';
import { levelTable, perMillimetre } from '../../../core/scan/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useJob } from '../../api/jobs.ts';
import { MOTIFS } from '../../api/motifs.ts';
import { startCleaning, useScan, useScanMutation } from '../../api/scans.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { BackLink } from '../../ui/BackLink.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useHistory } from '../../ui/useHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { boxBetween, levelling, straightenedBy, toggledLeftOut, type HandTool } from './handTools.ts';
import { GROUNDS, SheetTable, type GroundId } from './ScanTable.tsx';
import { MakeMotifs } from './MakeMotifs.tsx';
import { StepsTicket } from './StepsTicket.tsx';
import { useCleaning } from './useCleaning.ts';
import { useSaved } from './useSaved.ts';
import { TEXTS } from './texts.ts';

const HINTS: Readonly<Record<HandTool, string>> = {
  none: '',
  level: TEXTS.drawAlongALineThat,
  crop: TEXTS.drawABoxAroundWhat,
  paper: TEXTS.clickOnThePaper,
  join: TEXTS.drawFromOneDrawingTo,
  part: TEXTS.drawALineAcrossThe,
  'leave-out': TEXTS.clickOnADrawingTo,
};
const ZOOMS = [undefined, 1, 2] as const;

/** The workshop: one scan or photograph, cleaned step by step and made into motifs. */
export function SheetPage() {
  const { id = '' } = useParams();
  return (
    <Fetched what="sheet" query={useScan(id)} back={{ to: '/workshop', name: 'workshop' }}>
      {(sheet) => <OpenSheet key={id} sheet={sheet} />}
    </Fetched>
  );
}

function OpenSheet({ sheet }: { readonly sheet: Scan }) {
  const [query] = useSearchParams();
  const replace = query.get('motif') ?? undefined;
  const mutation = useScanMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { mutateAsync } = mutation;
  // What the server has, or is about to have, of this window.
  const lastSaved = useRef(sheet.steps);
  const save = useCallback(
    (steps: CleanSteps) => {
      const stepsWere = lastSaved.current;
      lastSaved.current = steps;
      mutateAsync({ id: sheet.id, change: { steps }, stepsWere }).catch((error: unknown) => {
        lastSaved.current = stepsWere;
        notifyProblem(error);
      });
    },
    [mutateAsync, notifyProblem, sheet.id],
  );
  const history = useHistory(sheet.steps);
  const { value: steps, undo, redo } = history;
  const change = (next: CleanSteps): void => history.change(next, changedKeys(steps, next).join());
  useSaved(steps, save);
  useUndoKeys(undo, redo);
  const [tool, setTool] = useState<HandTool>('none');
  const [ground, setGround] = useState<GroundId>('light');
  const [beside, setBeside] = useState<boolean>();
  const [zoom, setZoom] = useState<number>();
  const [dpi, setDpi] = useState(sheet.dpi);
  // The preview is the same sheet with fewer pixels to the millimetre.
  const reduction = Math.min(1, 1600 / Math.max(sheet.width, sheet.height));
  const perMm = perMillimetre(dpi) * reduction;
  const cleaning = useCleaning(blobUrl(sheet.preview), perMm, steps, tool === 'level' || tool === 'crop');
  const { picture } = cleaning;
  const wanted = picture?.drawings.filter(({ isLeftOut }) => !isLeftOut).length ?? 0;

  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setTool('none');
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);

  const watch = useJob(cleanScan, ({ motifs, design }) => {
    void client.invalidateQueries({ queryKey: MOTIFS });
    if (design !== null) {
      void client.invalidateQueries({ queryKey: ['designs'] });
      notify({
        text: TEXTS.countMotifsAreLaidOut(motifs.length),
        action: { label: TEXTS.openTheDesign, run: () => void navigate(`/designs/${design}`) },
      });
      return;
    }
    notify({
      text: replace
        ? TEXTS.theMotifFollowsTheseSteps
        : motifs.length === 1
          ? TEXTS.nameIsAMotifNow(sheet.name)
          : TEXTS.countMotifsAreInThe(motifs.length),
      action: { label: TEXTS.toTheDrawer, run: () => void navigate('/motifs') },
    });
  });

  const stroke = (from: Point, to: Point): void => {
    if (!picture) return;
    const mm = ({ x, y }: Point): Point => ({ x: x / perMm, y: y / perMm });
    const line = [mm(from), mm(to)] as const;
    const far = Math.hypot(to.x - from.x, to.y - from.y) > 4;
    const holding = (point: Point) =>
      picture.drawings.find(
        ({ box }) => point.x >= box.left && point.x <= box.right && point.y >= box.top && point.y <= box.bottom,
      );
    // Each stroke is undone by itself, however quickly the next follows.
    if (tool === 'level' && far) history.change(straightenedBy(steps, levelling(line)));
    else if (tool === 'crop' && far) history.change({ ...steps, crop: boxBetween(line) });
    else if (tool === 'paper' && steps.paper) {
      const colour = colourAt(picture.before, from, steps);
      if (colour) history.change({ ...steps, paper: { ...steps.paper, colour } });
    } else if (steps.cut && tool === 'join') {
      const [a, b] = [holding(from), holding(to)];
      if (a && b && a !== b)
        history.change({ ...steps, cut: { ...steps.cut, joins: [...steps.cut.joins, [a.anchor, b.anchor]] } });
    } else if (steps.cut && tool === 'part' && far)
      history.change({ ...steps, cut: { ...steps.cut, splits: [...steps.cut.splits, line] } });
    else if (steps.cut && tool === 'leave-out') {
      const sheetDrawing = holding(from);
      if (sheetDrawing)
        history.change({
          ...steps,
          cut: toggledLeftOut(
            steps.cut,
            sheetDrawing.anchor,
            sheetDrawing.isLeftOut,
            ({ x, y }) => holding({ x: x * perMm, y: y * perMm }) === sheetDrawing,
          ),
        });
      return;
    }
    if (tool !== 'join' && tool !== 'part') setTool('none');
  };

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <header className="col-span-2 flex items-center gap-3 border-b border-thread px-4">
        <BackLink to="/workshop" name={TEXTS.toTheWorkshop} />
        <NameField
          label={TEXTS.nameOfTheScan}
          name={sheet.name}
          size={28}
          onRename={(name) => void mutateAsync({ id: sheet.id, change: { name } })}
          className="h-8 border-transparent font-name text-base font-semibold hover:border-thread"
        />
        <span className="text-xs whitespace-nowrap text-graphite">
          {TEXTS.widthHeightPxWidth2Height2(
            sheet.width,
            sheet.height,
            formatNumber(sheet.width / perMillimetre(dpi), 0),
            formatNumber(sheet.height / perMillimetre(dpi), 0),
          )}
        </span>
        <div className="w-24">
          <AmountField
            label={TEXTS.dotsPerInch}
            hideLabel
            sign="dpi"
            value={dpi}
            min={10}
            max={5000}
            onChange={(next) => {
              setDpi(next);
              void mutateAsync({ id: sheet.id, change: { dpi: next } });
            }}
          />
        </div>
        <span className="grow" />
        <Link
          to={`/workshop/${sheet.id}/tile`}
          className="inline-flex h-8 items-center gap-1.5 rounded-md border border-thread bg-white px-3 text-sm font-medium hover:border-graphite"
        >
          <Grid2x2 size={15} aria-hidden /> {TEXTS.makeItRepeat}
        </Link>
        <HistoryButtons history={history} />
      </header>
      <main className="flex min-h-0 min-w-0 flex-col" aria-busy={cleaning.busy} data-cleaning>
        {/* As high with a hint of two lines as without, so that the sheet stays where it is under the pointer. */}
        <div className="flex h-12 shrink-0 items-center gap-1 border-b border-thread px-4">
          {GROUNDS.map(({ id, name, colour }) => (
            <Button key={id} look="quiet" pressed={ground === id} onClick={() => setGround(id)}>
              <span className="h-3.5 w-3.5 rounded-full border border-graphite" style={{ background: colour }} /> {name}
            </Button>
          ))}
          <Button
            look="quiet"
            pressed={beside ?? steps.trace !== null}
            onClick={() => setBeside(!(beside ?? steps.trace !== null))}
          >
            <Columns2 size={15} aria-hidden /> {TEXTS.originalBeside}
          </Button>
          <span className="grow text-center text-sm/5 text-graphite" role="status">
            {HINTS[tool] || (cleaning.busy ? TEXTS.working : '')}
          </span>
          {ZOOMS.map((one) => (
            <Button key={String(one)} look="quiet" pressed={zoom === one} onClick={() => setZoom(one)}>
              {one === undefined ? TEXTS.allOfIt : `${one} : 1`}
            </Button>
          ))}
        </div>
        {cleaning.problem && (
          <p role="alert" className="p-4 text-sm text-madder">
            {cleaning.problem}
          </p>
        )}
        {picture ? (
          <SheetTable
            picture={picture}
            ground={ground}
            beside={(beside ?? steps.trace !== null) && tool !== 'level' && tool !== 'crop'}
            zoom={zoom}
            tool={tool}
            onStroke={stroke}
          />
        ) : (
          <p className="grid grow place-items-center bg-linen text-graphite">{TEXTS.fetchingTheSheet}</p>
        )}
      </main>
      <aside aria-label={TEXTS.steps} className="flex min-h-0 flex-col border-l border-thread">
        <div className="min-h-0 grow overflow-y-auto p-5">
          <StepsTicket
            steps={steps}
            histogram={picture?.histogram}
            tool={tool}
            onTool={setTool}
            onChange={change}
            onFindTilt={() => void cleaning.findTilt().then((tilt) => change({ ...steps, straighten: tilt }))}
          />
        </div>
        <MakeMotifs
          sheet={sheet}
          count={steps.cut ? wanted : 1}
          replace={replace}
          watch={watch}
          begin={(name, collection, layOut) =>
            watch.start(() => startCleaning(sheet.id, { name, collection, steps, replace, layOut }))
          }
        />
      </aside>
    </div>
  );
}

/** The colour of a pixel as it is after the levels, which is what the paper is told by. */
function colourAt(image: ImageBitmap, { x, y }: Point, { levels }: CleanSteps): `#${string}` | undefined {
  const context = new OffscreenCanvas(1, 1).getContext('2d');
  if (!context) return undefined;
  context.drawImage(image, -Math.floor(x), -Math.floor(y));
  const [r = 0, g = 0, b = 0, a = 0] = context.getImageData(0, 0, 1, 1).data;
  if (a === 0) return undefined;
  const table = levels ? levelTable(levels) : undefined;
  return `#${[r, g, b].map((value) => (table ? (table[value] as number) : value).toString(16).padStart(2, '0')).join('')}`;
}

/** The steps that differ. */
function changedKeys(before: CleanSteps, after: CleanSteps): string[] {
  return (Object.keys(after) as (keyof CleanSteps)[]).filter((key) => before[key] !== after[key]);
}
