import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { PAGE_SIZES } from '../../../core/units/index.ts';
import { OutlinePad } from './OutlinePad.tsx';
import { isDrawn, type PlainShape, resized } from './plainShape.ts';
import { TEXTS } from './texts.ts';

/** mm; as far as a product of one's own goes. */
const [SMALLEST, LARGEST] = [1, 20_000];

interface Props {
  readonly isBusy: boolean;
  readonly onCreate: (shape: PlainShape) => void;
}

/** A rectangle, a circle, a heart or an outline drawn by hand, of any size, to lay a pattern on: a page, a screen, a table top. */
export function PlainShapeFields({ isBusy, onCreate }: Props) {
  const [shape, setShape] = useState<PlainShape>({ kind: 'rectangle', width: 210, height: 297 });
  const named = PAGE_SIZES.find(({ width, height }) => width === shape.width && height === shape.height);
  const resize = (size: Partial<Pick<PlainShape, 'width' | 'height'>>): void => setShape(resized(shape, size));
  return (
    <section aria-label={TEXTS.plainShape} className="grid gap-2">
      <h3 className="font-name text-sm font-semibold">{TEXTS.plainShape}</h3>
      <div className="grid grid-cols-[auto_minmax(0,1fr)_6rem_6rem_auto] items-end gap-3">
        <Choice
          label={TEXTS.shape}
          captioned
          value={shape.kind}
          options={[
            { value: 'rectangle', name: TEXTS.rectangle },
            { value: 'circle', name: TEXTS.circle },
            { value: 'heart', name: TEXTS.heart },
            { value: 'outline', name: TEXTS.outline },
          ]}
          onChange={(kind) => setShape(resized({ ...shape, kind }, {}))}
        />
        <label className="grid grid-cols-1 gap-0.5 text-xs text-graphite">
          {TEXTS.namedSize}
          <select
            value={named?.name ?? ''}
            onChange={({ target: { value } }) => {
              const size = PAGE_SIZES.find(({ name }) => name === value);
              if (size) resize({ width: size.width, height: size.height });
            }}
            className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
          >
            {!named && <option value="">{TEXTS.ownSizeOfShape}</option>}
            {PAGE_SIZES.map(({ name }) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <LengthField
          label={TEXTS.width}
          mm={shape.width}
          min={SMALLEST}
          max={LARGEST}
          onChange={(width) => resize({ width })}
        />
        <LengthField
          label={TEXTS.height}
          mm={shape.height}
          min={SMALLEST}
          max={LARGEST}
          onChange={(height) => resize({ height })}
        />
        <Button disabled={isBusy || !isDrawn(shape)} onClick={() => onCreate(shape)}>
          {TEXTS.createShape}
        </Button>
      </div>
      {shape.kind === 'outline' && (
        <OutlinePad outline={shape.outline} onDraw={(outline) => setShape(resized({ ...shape, outline }, {}))} />
      )}
    </section>
  );
}
