import { useState } from 'react';
import { type Repeat, tileSizes } from '../../../core/lattice/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly repeat: Repeat;
  /** Of the tile, pixels. */
  readonly width: number;
  readonly onChange: (width: number) => void;
}

const WIDEST = 8192;
const SHOWN = 4;

/** Tiles of a hexagonal lattice, which no whole pixels fit exactly: the smallest that is right to within a typed share, and finer ones. */
export function ProportionSizes({ repeat, width, onChange }: Props) {
  const [within, setWithin] = useState(0.01);
  const sizes = tileSizes(repeat, WIDEST);
  if (sizes.length === 0) return null;
  const first = sizes.findIndex(({ percent }) => percent <= within);
  const shown = first < 0 ? sizes.slice(-1) : sizes.slice(first, first + SHOWN);
  return (
    <div className="grid gap-1.5">
      <QuantityField
        label={TEXTS.proportionsRightToWithin}
        shown={`${formatNumber(within, 4)} %`}
        value={within}
        step={0.01}
        read={(text) => parseAmount(text, { sign: '%', current: within, min: 0, max: 10 })}
        onChange={setWithin}
      />
      <ul className="grid gap-1" aria-label={TEXTS.smallestTiles}>
        {shown.map((size) => (
          <li key={size.width}>
            <Button pressed={size.width === width} onClick={() => onChange(size.width)}>
              {TEXTS.tileOff(size.width, size.height, formatNumber(size.percent, 4))}
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
