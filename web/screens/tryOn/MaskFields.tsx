import type { MaskStep } from '../../../core/tryon/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { TEXTS } from './texts.ts';

/** What the pointer does on a photograph, and how. */
export interface MaskTool {
  readonly kind: 'points' | 'brush' | 'pick';
  readonly shows: boolean;
  /** Of the brush, pixels of the photograph. */
  readonly width: number;
  /** How far a colour may be from the one that is picked, in OKLab. */
  readonly tolerance: number;
}

interface Props {
  readonly tool: MaskTool;
  readonly onTool: (tool: MaskTool) => void;
  readonly isMasked: boolean;
  readonly onStep: (step: MaskStep) => void;
  readonly onClear: () => void;
}

/** What of a face is cloth: a brush, a picker, and all or nothing. */
export function MaskFields({ tool, onTool, isMasked, onStep, onClear }: Props) {
  const change = (next: Partial<MaskTool>): void => onTool({ ...tool, ...next });
  return (
    <TicketPart name={TEXTS.mask}>
      <Choice
        label={TEXTS.tool}
        captioned
        value={tool.kind}
        options={[
          { value: 'points', name: TEXTS.points },
          { value: 'brush', name: TEXTS.brush },
          { value: 'pick', name: TEXTS.pick },
        ]}
        onChange={(kind) => change({ kind })}
      />
      {tool.kind !== 'points' && (
        <Choice
          label={TEXTS.effect}
          captioned
          value={tool.shows ? 'show' : 'hide'}
          options={[
            { value: 'hide', name: TEXTS.hide },
            { value: 'show', name: TEXTS.show },
          ]}
          onChange={(effect) => change({ shows: effect === 'show' })}
        />
      )}
      {tool.kind === 'brush' && (
        <SliderField
          label={TEXTS.brushWidth}
          sign="px"
          value={tool.width}
          min={2}
          max={300}
          step={2}
          onChange={(width) => change({ width })}
        />
      )}
      {tool.kind === 'pick' && (
        <SliderField
          label={TEXTS.tolerance}
          sign="%"
          value={Math.round(tool.tolerance * 100)}
          min={0}
          max={50}
          step={1}
          onChange={(percent) => change({ tolerance: percent / 100 })}
        />
      )}
      <p className="text-xs text-graphite">{TEXTS.maskHint}</p>
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => onStep({ kind: 'all', shows: false })}>{TEXTS.hideAll}</Button>
        <Button disabled={!isMasked} onClick={onClear}>
          {TEXTS.clearMask}
        </Button>
      </div>
    </TicketPart>
  );
}
