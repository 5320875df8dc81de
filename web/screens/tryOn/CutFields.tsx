import { type CutWish, MOST_CUT_BLEED, MOST_MARGIN } from '../../../core/sheet/index.ts';
import { PAPER_NAMES, PAPERS } from '../../../core/units/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly wish: CutWish;
  readonly onChange: (wish: CutWish) => void;
}

/** What true-size pieces are printed on, and how they are cut out. */
export function CutFields({ wish, onChange }: Props) {
  const change = (next: Partial<CutWish>): void => onChange({ ...wish, ...next });
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label={TEXTS.paper}
          captioned
          value={wish.paper}
          options={PAPER_NAMES.map((name) => ({ value: name, name: PAPERS[name].name }))}
          onChange={(paper) => change({ paper })}
        />
        <Choice
          label={TEXTS.orientation}
          captioned
          value={wish.isWide ? 'wide' : 'upright'}
          options={[
            { value: 'upright', name: TEXTS.upright },
            { value: 'wide', name: TEXTS.onItsSide },
          ]}
          onChange={(orientation) => change({ isWide: orientation === 'wide' })}
        />
        <LengthField
          label={TEXTS.margin}
          mm={wish.margin}
          min={0}
          max={MOST_MARGIN}
          onChange={(margin) => change({ margin })}
        />
        <LengthField
          label={TEXTS.bleed}
          mm={wish.bleed}
          min={0}
          max={MOST_CUT_BLEED}
          onChange={(bleed) => change({ bleed })}
        />
      </div>
      <div className="flex flex-wrap gap-x-5">
        <Tick label={TEXTS.cropMarks} on={wish.marks} onChange={(marks) => change({ marks })} />
        <Tick label={TEXTS.fillSheet} on={wish.fill} onChange={(fill) => change({ fill })} />
      </div>
    </>
  );
}
