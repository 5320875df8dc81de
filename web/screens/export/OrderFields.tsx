import type { Hex } from '../../../core/colour/index.ts';
import {
  type AnyOrder,
  FORMAT_NAMES,
  formatOf,
  type FormatName,
  isVectorOrder,
  measureExtent,
  NO_BLEED,
  RASTER_FORMAT_NAMES,
  tileOrder,
  VECTOR_FORMAT_NAMES,
  vectorTileOrder,
} from '../../../core/export/index.ts';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { BleedFields } from './BleedFields.tsx';
import { ExtentFields } from './ExtentFields.tsx';
import { ProportionSizes } from './ProportionSizes.tsx';
import { SizeFields } from './SizeFields.tsx';
import { lacksBackdrop, type Subject } from './subject.ts';
import { TEXTS } from './texts.ts';
import { VectorFields } from './VectorFields.tsx';

interface Props {
  readonly order: AnyOrder;
  readonly subjects: readonly Subject[];
  readonly onChange: (order: AnyOrder) => void;
}

/** The same wishes in another format. */
function inFormat(order: AnyOrder, format: FormatName): AnyOrder {
  const { extent, marks, backdrop } = order;
  const kept = { extent, marks, ...(backdrop && { backdrop }) };
  const vector = VECTOR_FORMAT_NAMES.find((name) => name === format);
  if (vector) return isVectorOrder(order) ? { ...order, format: vector } : { ...vectorTileOrder(vector), ...kept };
  const raster = RASTER_FORMAT_NAMES.find((name) => name === format) ?? 'png';
  if (!isVectorOrder(order)) {
    const { depth, ...rest } = order;
    return { ...rest, format: raster, ...(raster === 'png' && depth && { depth }) };
  }
  return { ...tileOrder({ kind: 'density', dpi: 300 }), format: raster, ...kept };
}

/** What one file is to be. */
export function OrderFields({ order, subjects, onChange }: Props) {
  const mayBeBare = subjects.some(({ bare }) => bare !== false);
  const repeat = subjects[0]?.repeat;
  if (!repeat) return null;
  return (
    <>
      <Choice
        label={TEXTS.format}
        isWide
        captioned
        value={order.format}
        options={FORMAT_NAMES.map((format) => ({ value: format, name: formatOf({ format }).name }))}
        onChange={(format) => onChange(inFormat(order, format))}
      />
      <ExtentFields order={order} onChange={onChange} />
      {isVectorOrder(order) ? (
        <VectorFields order={order} width={measureExtent(order.extent, repeat).width} onChange={onChange} />
      ) : (
        <>
          <SizeFields
            size={order.size}
            width={measureExtent(order.extent, repeat).width}
            onChange={(size) => onChange({ ...order, size })}
          />
          {order.size.kind === 'pixels' && order.extent.kind === 'tile' && (
            <ProportionSizes
              repeat={repeat}
              width={order.size.width}
              onChange={(width) => onChange({ ...order, size: { kind: 'pixels', width } })}
            />
          )}
          {order.format === 'png' && (
            <div>
              <Tick
                label={TEXTS.sixteenBits}
                on={order.depth === 16}
                onChange={(on) => {
                  const { depth: _, ...rest } = order;
                  onChange(on ? { ...rest, depth: 16 } : rest);
                }}
              />
              <p className="text-xs text-graphite">{TEXTS.sixteenBitsNote}</p>
            </div>
          )}
          <BleedFields
            amount={order.bleed.amount}
            unit={order.bleed.unit}
            marks={order.marks}
            onChange={({ marks, ...bleed }) => onChange({ ...order, marks, bleed: { ...NO_BLEED, ...bleed } })}
          />
        </>
      )}
      {mayBeBare && (
        <Backdrop
          colour={order.backdrop}
          note={lacksBackdrop({ ...order, backdrop: undefined }) ? TEXTS.noGroundJpeg : TEXTS.noGround}
          onChange={(backdrop) => onChange({ ...order, backdrop })}
        />
      )}
    </>
  );
}

interface BackdropProps {
  readonly colour: Hex | undefined;
  readonly note: string;
  readonly onChange: (colour: Hex | undefined) => void;
}

function Backdrop({ colour, note, onChange }: BackdropProps) {
  // Kept while it is transparent; a field of colours tells of nothing where the colour that it shows is picked.
  const [last, setLast] = useState<Hex>(colour ?? '#ffffff');
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <Button pressed={colour === undefined} onClick={() => onChange(undefined)}>
        {TEXTS.transparent}
      </Button>
      <Button pressed={colour !== undefined} onClick={() => onChange(last)}>
        {TEXTS.behind}
      </Button>
      <input
        type="color"
        aria-label={TEXTS.behind}
        value={colour ?? last}
        onChange={(event) => {
          // The browser's own colour field always gives six hex digits.
          setLast(event.target.value as Hex);
          onChange(event.target.value as Hex);
        }}
        className="h-8 w-12 shrink-0 rounded-md border border-thread"
      />
      <p className="w-full text-graphite">{note}</p>
    </div>
  );
}
