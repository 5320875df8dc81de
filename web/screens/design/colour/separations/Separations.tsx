import { useState } from 'react';
import { startPlates as startPlatesRoute } from '../../../../../contract/index.ts';
import {
  DEFAULT_SEPARATION,
  PLATE_DEPTHS,
  PLATE_FORMATS,
  type PlateFacts,
  SCREEN_SHAPES,
  type SeparationOrder,
} from '../../../../../core/separate/index.ts';
import { useJob } from '../../../../api/jobs.ts';
import { startPlates } from '../../../../api/plates.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useColourway } from '../../../../cloth/useColourway.ts';
import { AmountField } from '../../../../ui/AmountField.tsx';
import { Button } from '../../../../ui/Button.tsx';
import { Choice } from '../../../../ui/Choice.tsx';
import { download } from '../../../../ui/download.ts';
import { JobProgress } from '../../../../ui/JobProgress.tsx';
import { LengthField } from '../../../../ui/LengthField.tsx';
import { Overlay } from '../../../../ui/Overlay.tsx';
import { useStore } from '../../../../ui/store.ts';
import { Tick } from '../../../../ui/Tick.tsx';
import { PlateList } from './PlateList.tsx';
import { PlatesCloth } from './PlatesCloth.tsx';
import { TEXTS } from './texts.ts';
import { useSeparation } from './useSeparation.ts';

interface Props {
  readonly onClose: () => void;
  readonly save: () => Promise<void>;
}

/** The design taken apart into plates: looked at singly and together, and exported. */
export function Separations({ onClose, save }: Props) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { id: colourway } = useColourway();
  const [order, setOrder] = useState<SeparationOrder>(DEFAULT_SEPARATION);
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const [asFilm, setAsFilm] = useState(false);
  const { done, failure, isBusy } = useSeparation(design, order, colourway);
  const separation = done?.result;
  const watch = useJob(startPlatesRoute, ({ href, fileName }) => download(href, fileName));
  const change = (part: Partial<SeparationOrder>): void => setOrder({ ...order, ...part });
  const ids = separation?.inks.map(({ id }) => id) ?? [];
  const shown = new Set(ids.filter((id) => !hidden.has(id)));
  const start = (): void =>
    watch.start(async () => {
      await save();
      return startPlates({ design: design.id, colourway, order });
    });
  return (
    <Overlay label={TEXTS.label} title={TEXTS.title} note={TEXTS.note} onClose={onClose}>
      <div className="flex min-h-0 grow">
        {separation ? (
          <PlatesCloth separation={separation} shown={shown} asFilm={asFilm} />
        ) : (
          <p role="status" className="grid grow place-items-center text-sm text-graphite">
            {failure === undefined ? TEXTS.separating : TEXTS.notSeparated(failure)}
          </p>
        )}
        <div className="grid w-96 shrink-0 content-start gap-4 overflow-y-auto border-l border-thread bg-calico p-4">
          {separation && (
            <>
              <PlateList
                separation={separation}
                order={order}
                shown={shown}
                onShow={(next) => setHidden(new Set(ids.filter((id) => !next.has(id))))}
                onOrder={change}
              />
              <Tick label={TEXTS.asFilm} on={asFilm} onChange={setAsFilm} />
              {isBusy && (
                <p role="status" className="text-xs text-graphite">
                  {TEXTS.separating}
                </p>
              )}
              <Facts facts={separation.facts} hasTrap={order.trap > 0} />
            </>
          )}
          <div className="grid grid-cols-2 gap-2">
            <LengthField label={TEXTS.trap} mm={order.trap} min={0} max={5} onChange={(trap) => change({ trap })} />
            <AmountField
              label={TEXTS.inkLimit}
              value={order.inkLimit}
              sign="%"
              min={100}
              max={2000}
              step={10}
              onChange={(inkLimit) => change({ inkLimit })}
            />
          </div>
          <Choice
            label={TEXTS.shades}
            captioned
            value={order.depth}
            options={PLATE_DEPTHS.map((value) => ({ value, name: TEXTS.depthName(value) }))}
            onChange={(depth) => change({ depth })}
          />
          <p className="-mt-2 text-xs text-graphite">{TEXTS.depthNotes[order.depth]}</p>
          {order.depth === 'screened' && (
            <>
              <Choice
                label={TEXTS.shape}
                captioned
                value={order.shape}
                options={SCREEN_SHAPES.map((value) => ({ value, name: TEXTS.shapeName(value) }))}
                onChange={(shape) => change({ shape })}
              />
              <AmountField
                label={TEXTS.lpi}
                value={order.lpi}
                sign="lpi"
                min={5}
                max={150}
                onChange={(lpi) => change({ lpi })}
              />
            </>
          )}
          <AmountField
            label={TEXTS.dpi}
            value={order.dpi}
            sign="dpi"
            min={50}
            max={1200}
            step={50}
            onChange={(dpi) => change({ dpi: Math.round(dpi) })}
          />
          <Choice
            label={TEXTS.format}
            captioned
            value={order.format}
            options={PLATE_FORMATS.map((value) => ({ value, name: value.toUpperCase() }))}
            onChange={(format) => change({ format })}
          />
          <JobProgress watch={watch} doing={TEXTS.making} />
          <Button look="accent" disabled={watch.running || !separation} onClick={start}>
            {TEXTS.exportPlates}
          </Button>
        </div>
      </div>
    </Overlay>
  );
}

/** What there is to know before anything is printed; what needs a look is marked. */
function Facts({ facts, hasTrap }: { readonly facts: PlateFacts; readonly hasTrap: boolean }) {
  const { total, most, gaps, overprints, overLimit } = facts;
  const warnings = [
    ...(gaps > 0 ? [TEXTS.gaps(TEXTS.percent(gaps))] : []),
    ...(overprints > 0 ? [TEXTS.overprints(TEXTS.percent(overprints))] : []),
    ...(overLimit > 0 ? [TEXTS.overLimit(TEXTS.percent(overLimit))] : []),
  ];
  return (
    <div className="grid gap-1 text-xs">
      <p className="text-graphite">{TEXTS.total(TEXTS.percent(total), TEXTS.percent(most))}</p>
      {warnings.length === 0 ? (
        <p className="text-graphite">{hasTrap ? TEXTS.trapped : TEXTS.noGaps}</p>
      ) : (
        warnings.map((warning) => (
          <p key={warning} role="alert" className="text-madder">
            {warning}
          </p>
        ))
      )}
    </div>
  );
}
