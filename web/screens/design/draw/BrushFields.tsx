import type { Brush } from '../../../../core/recipe/index.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { SliderField } from '../../../ui/SliderField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { FillInkFields } from './FillInkFields.tsx';
import { InkFields } from './InkFields.tsx';
import { TEXTS } from './texts.ts';

const PRESSURES: readonly { readonly value: Brush['pressure']; readonly name: string }[] = [
  { value: 'pen', name: TEXTS.penPressure },
  { value: 'speed', name: TEXTS.speed },
  { value: 'none', name: TEXTS.even },
];

/** What the brush leaves: its ink, how wide, and how its line runs. */
export function BrushFields() {
  const { drawing } = useEditor();
  const brush = useStore(drawing.brush);
  const change = (part: Partial<Brush>): void => drawing.changeBrush(part);
  return (
    <>
      <InkFields ink={brush.ink} opacity={brush.opacity} onChange={change}>
        <LengthField
          label={TEXTS.width}
          mm={brush.width}
          min={0.05}
          max={200}
          onChange={(width) => change({ width })}
        />
      </InkFields>
      <Choice
        label={TEXTS.thickness}
        captioned
        value={brush.pressure}
        options={PRESSURES}
        onChange={(pressure) => change({ pressure })}
      />
      {brush.pressure !== 'none' && (
        <SliderField
          label={TEXTS.thinning}
          sign="%"
          value={Math.round(100 * brush.thinning)}
          min={-100}
          max={100}
          step={5}
          onChange={(percent) => change({ thinning: percent / 100 })}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.taperAtTheStart}
          mm={brush.taperStart}
          min={0}
          max={1000}
          onChange={(taperStart) => change({ taperStart })}
        />
        <LengthField
          label={TEXTS.taperAtTheEnd}
          mm={brush.taperEnd}
          min={0}
          max={1000}
          onChange={(taperEnd) => change({ taperEnd })}
        />
      </div>
      <SliderField
        label={TEXTS.smoothing}
        sign="%"
        value={Math.round(100 * brush.smoothing)}
        min={0}
        max={100}
        step={5}
        onChange={(percent) => change({ smoothing: percent / 100 })}
      />
      <SliderField
        label={TEXTS.roughEdge}
        sign="%"
        value={Math.round(100 * brush.roughness)}
        min={0}
        max={100}
        step={5}
        onChange={(percent) => change({ roughness: percent / 100 })}
      />
      <FillInkFields label={TEXTS.fillTheOutline} />
    </>
  );
}
