import { proportionOf } from '../../../core/lattice/index.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM } from '../../../core/lattice/index.ts';
import { MOST_SHEAR } from '../../../core/recipe/index.ts';
import type { TileWish } from '../../../core/tile/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { type Sheet, withFrame } from './frameHands.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly sheet: Sheet;
  readonly wish: TileWish;
  readonly onWish: (wish: TileWish, field: string) => void;
}

/** Where the frame lies, in pixels of the picture, and how large it is on the cloth. */
export function FrameFields({ sheet, wish, onWish }: Props) {
  const { frame, way } = wish;
  const change = (part: Partial<typeof frame>, field: string): void =>
    onWish(withFrame(wish, { ...frame, ...part }), field);
  const px = { sign: 'px', min: 1, max: 2 * Math.max(sheet.width, sheet.height) };
  return (
    <div className="grid grid-cols-3 gap-2">
      <AmountField
        label={TEXTS.centreX}
        sign="px"
        value={frame.x}
        min={0}
        max={sheet.width}
        onChange={(x) => change({ x }, 'x')}
      />
      <AmountField
        label={TEXTS.centreY}
        sign="px"
        value={frame.y}
        min={0}
        max={sheet.height}
        onChange={(y) => change({ y }, 'y')}
      />
      <AmountField
        label={TEXTS.rotation}
        sign="°"
        value={frame.rotation}
        min={-360}
        max={360}
        onChange={(rotation) => change({ rotation }, 'rotation')}
      />
      <AmountField label={TEXTS.width} value={frame.width} {...px} onChange={(width) => change({ width }, 'width')} />
      {proportionOf(way.step) === undefined && (
        <AmountField
          label={TEXTS.height}
          value={frame.height}
          {...px}
          onChange={(height) => change({ height }, 'height')}
        />
      )}
      <AmountField
        label={TEXTS.shear}
        sign="°"
        value={frame.shear ?? 0}
        min={-MOST_SHEAR}
        max={MOST_SHEAR}
        onChange={(shear) => change({ shear }, 'shear')}
      />
      <LengthField
        isLive
        label={TEXTS.frameWidthOnCloth}
        mm={wish.width}
        min={SMALLEST_CELL_MM}
        max={LARGEST_CELL_MM}
        onChange={(mm) => onWish({ ...wish, width: mm }, 'mm')}
      />
    </div>
  );
}
