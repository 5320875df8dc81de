import { Crop, Eraser, RotateCcw, RotateCw, Ruler, Scissors, Spline, Wand2, Combine, Pipette } from 'lucide-react';
import type { ReactNode } from 'react';
import type { CleanSteps, Cutting, PaperRemoval } from '../../../core/recipe/index.ts';
import { proposeLevels } from '../../../core/scan/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { NO_CUT, type HandTool } from './handTools.ts';
import { LevelsChart } from './LevelsChart.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly steps: CleanSteps;
  readonly histogram: Uint32Array | undefined;
  readonly tool: HandTool;
  readonly onTool: (tool: HandTool) => void;
  readonly onChange: (steps: CleanSteps) => void;
  readonly onFindTilt: () => void;
}

/** Dust; no drawing is as small, mm². */
const USUAL_SPECKS = 0.5;
const USUAL_PAPER: PaperRemoval = { reach: 'outside', colour: null, tolerance: 40, soft: 0.15 };

/** Every step of cleaning, in the order in which they are done. */
export function StepsTicket({ steps, histogram, tool, onTool, onChange, onFindTilt }: Props) {
  const { quarters, straighten, crop, evenLight, levels, paper, specks, trim, cut, trace } = steps;
  const change = (part: Partial<CleanSteps>): void => onChange({ ...steps, ...part });
  const handTool = (handTool: HandTool, name: string, icon: ReactNode) => (
    <Button pressed={tool === handTool} onClick={() => onTool(tool === handTool ? 'none' : handTool)}>
      {icon} {name}
    </Button>
  );
  const turned = (by: 1 | 3): void => change({ quarters: ((quarters + by) % 4) as CleanSteps['quarters'], crop: null });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
      <TicketPart name={TEXTS.straighten}>
        <div className="flex flex-wrap gap-2">
          <Button label={TEXTS.rotateLeft} onClick={() => turned(3)}>
            <RotateCcw size={15} aria-hidden />
          </Button>
          <Button label={TEXTS.rotateRight} onClick={() => turned(1)}>
            <RotateCw size={15} aria-hidden />
          </Button>
          <Button onClick={onFindTilt}>
            <Wand2 size={15} aria-hidden /> {TEXTS.findTheTilt}
          </Button>
          {handTool('level', TEXTS.byALine, <Ruler size={15} aria-hidden />)}
          {handTool('crop', crop ? TEXTS.cropAnew : TEXTS.crop, <Crop size={15} aria-hidden />)}
          {crop && <Button onClick={() => change({ crop: null })}>{TEXTS.wholeSheet}</Button>}
        </div>
        <SliderField
          label={TEXTS.straightenBy}
          sign="°"
          value={straighten}
          min={-15}
          max={15}
          step={0.1}
          onChange={(degrees) => change({ straighten: degrees })}
        />
      </TicketPart>

      <TicketPart name={TEXTS.light}>
        <Tick label={TEXTS.evenOutTheLightAnd} on={evenLight} onChange={(on) => change({ evenLight: on })} />
        <Tick
          label={TEXTS.adjustLevels}
          on={levels !== null}
          onChange={(on) => change({ levels: on ? proposeLevels(histogram ?? new Uint32Array(256)) : null })}
        />
        {levels && histogram && (
          <>
            <LevelsChart counts={histogram} levels={levels} onChange={(next) => change({ levels: next })} />
            <Button onClick={() => change({ levels: proposeLevels(histogram) })}>
              <Wand2 size={15} aria-hidden /> {TEXTS.propose}
            </Button>
          </>
        )}
      </TicketPart>

      <TicketPart name={TEXTS.removeThePaper}>
        <Choice
          label={TEXTS.paper}
          value={paper?.reach ?? 'kept'}
          options={[
            { value: 'kept', name: TEXTS.keep },
            { value: 'outside', name: TEXTS.outside },
            { value: 'everywhere', name: TEXTS.everywhere },
          ]}
          onChange={(reach) =>
            change(
              reach === 'kept'
                ? { paper: null }
                : { paper: { ...(paper ?? USUAL_PAPER), reach }, specks: paper ? specks : specks || USUAL_SPECKS },
            )
          }
        />
        {paper && (
          <>
            <p className="text-xs text-graphite">
              {paper.reach === 'outside' ? TEXTS.whiteInsideClosedLinesStays : TEXTS.whiteInsideClosedLinesGoes}
            </p>
            <SliderField
              label={TEXTS.tolerance}
              value={paper.tolerance}
              min={0}
              max={160}
              step={1}
              onChange={(tolerance) => change({ paper: { ...paper, tolerance } })}
            />
            <SliderField
              label={TEXTS.softEdge}
              sign="mm"
              value={paper.soft}
              min={0}
              max={1}
              step={0.05}
              onChange={(soft) => change({ paper: { ...paper, soft } })}
            />
            <div className="flex items-center gap-2">
              {handTool('paper', TEXTS.pickItsColour, <Pipette size={15} aria-hidden />)}
              {paper.colour ? (
                <>
                  <span
                    className="h-6 w-6 rounded-full border border-thread"
                    style={{ background: paper.colour }}
                    title={paper.colour}
                  />
                  <Button look="quiet" onClick={() => change({ paper: { ...paper, colour: null } })}>
                    {TEXTS.findIt}
                  </Button>
                </>
              ) : (
                <span className="text-xs text-graphite">{TEXTS.foundByItself}</span>
              )}
            </div>
          </>
        )}
        <div className="grid grid-cols-2 items-end gap-2">
          <AmountField
            label={TEXTS.removeSpecksUnderMm}
            value={specks}
            min={0}
            max={1000}
            step={0.1}
            onChange={(area) => change({ specks: area })}
          />
          {!cut && <Tick label={TEXTS.trimToTheDrawing} on={trim} onChange={(on) => change({ trim: on })} />}
        </div>
      </TicketPart>

      <TicketPart name={TEXTS.cutIntoDrawings}>
        <Tick
          label={TEXTS.eachDrawingBecomesAMotif}
          on={cut !== null}
          onChange={(on) => change({ cut: on ? NO_CUT : null })}
        />
        {cut && <CutFields cut={cut} handTool={handTool} onChange={(next) => change({ cut: next })} />}
      </TicketPart>

      <TicketPart name={TEXTS.traceIntoVectors}>
        <Tick
          label={TEXTS.trace}
          on={trace !== null}
          onChange={(on) => change({ trace: on ? { inks: 2, smoothness: 0.5, detail: 0.6 } : null })}
        />
        {trace && (
          <>
            <SliderField
              label={TEXTS.inks}
              value={trace.inks}
              min={1}
              max={8}
              step={1}
              onChange={(inks) => change({ trace: { ...trace, inks: Math.round(inks) } })}
            />
            <SliderField
              label={TEXTS.smoothness}
              sign="%"
              value={trace.smoothness * 100}
              min={0}
              max={100}
              step={5}
              onChange={(percent) => change({ trace: { ...trace, smoothness: percent / 100 } })}
            />
            <SliderField
              label={TEXTS.detail}
              sign="%"
              value={trace.detail * 100}
              min={0}
              max={100}
              step={5}
              onChange={(percent) => change({ trace: { ...trace, detail: percent / 100 } })}
            />
          </>
        )}
      </TicketPart>
    </div>
  );
}

interface CutFieldsProps {
  readonly cut: Cutting;
  readonly handTool: (tool: HandTool, name: string, icon: ReactNode) => ReactNode;
  readonly onChange: (cut: Cutting) => void;
}

function CutFields({ cut, handTool, onChange }: CutFieldsProps) {
  const byHand = cut.joins.length + cut.splits.length + cut.without.length;
  return (
    <>
      <SliderField
        label={TEXTS.keepTogetherIfCloserThan}
        sign="mm"
        value={cut.gap}
        min={0}
        max={40}
        step={0.5}
        onChange={(gap) => onChange({ ...cut, gap })}
      />
      <div className="flex flex-wrap gap-2">
        {handTool('join', TEXTS.joinTwo, <Combine size={15} aria-hidden />)}
        {handTool('part', TEXTS.part, <Scissors size={15} aria-hidden />)}
        {handTool('leave-out', TEXTS.leaveOut, <Eraser size={15} aria-hidden />)}
      </div>
      {byHand > 0 && (
        <Button onClick={() => onChange({ ...NO_CUT, gap: cut.gap })}>
          <Spline size={15} aria-hidden /> {TEXTS.takeBackWhatWasCut}
        </Button>
      )}
    </>
  );
}
