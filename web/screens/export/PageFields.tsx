import { RotateCw } from 'lucide-react';
import {
  type AnyOrder,
  fillPage,
  LONGEST_CLOTH_MM,
  type Page,
  pageName,
  pageOf,
  pageScales,
  turned,
} from '../../../core/export/index.ts';
import { PAGE_SIZES } from '../../../core/units/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  /** Of a length. */
  readonly order: AnyOrder;
  /** Of the length of cloth, mm. */
  readonly extent: { readonly width: number; readonly height: number };
  readonly onChange: (order: AnyOrder) => void;
}

/** The page, screen or length of cloth that is filled, by its name or its sides, and how large the pattern is on it. */
export function PageFields({ order, extent, onChange }: Props) {
  const known = pageOf(order);
  const isKnown = known !== undefined;
  const page: Page = known ?? { width: extent.width, height: extent.height, scale: 1 };
  const name = pageName(page);
  const [least, most] = pageScales(page);
  return (
    <div className="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-2">
      <label className="grid gap-0.5 text-xs text-graphite">
        {TEXTS.page}
        <select
          value={name ?? ''}
          onChange={({ target: { value } }) => {
            const { pixels: _, ...own } = page;
            const chosen = PAGE_SIZES.find((size) => size.name === value) ?? own;
            onChange(fillPage(order, { ...chosen, scale: page.scale }));
          }}
          className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        >
          {(name === undefined || page.pixels !== undefined) && <option value="">{TEXTS.ownSize}</option>}
          {PAGE_SIZES.map((size) => (
            <option key={size.name} value={size.name}>
              {size.name}
            </option>
          ))}
        </select>
      </label>
      {(['width', 'height'] as const).map((side) => (
        <LengthField
          key={side}
          isLive
          label={TEXTS[side]}
          mm={page[side]}
          min={Math.max(1, page.scale)}
          max={Math.min(LONGEST_CLOTH_MM, LONGEST_CLOTH_MM * page.scale)}
          onChange={(mm) =>
            isKnown
              ? onChange(fillPage(order, { width: page.width, height: page.height, scale: page.scale, [side]: mm }))
              : onChange({ ...order, extent: { kind: 'length', ...extent, [side]: mm } })
          }
        />
      ))}
      {isKnown && (
        <AmountField
          label={TEXTS.scale}
          sign="%"
          value={100 * page.scale}
          min={100 * least}
          max={100 * most}
          step={10}
          onChange={(percent) => onChange(fillPage(order, { ...page, scale: percent / 100 }))}
        />
      )}
      <Button
        label={TEXTS.rotatePage}
        className="col-start-5"
        onClick={() =>
          isKnown
            ? onChange(fillPage(order, turned(page)))
            : onChange({ ...order, extent: { kind: 'length', width: extent.height, height: extent.width } })
        }
      >
        <RotateCw size={15} aria-hidden />
      </Button>
    </div>
  );
}
