import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { PrintOrder } from '../../../contract/index.ts';
import { RASTER_FORMATS, type RasterFormatName } from '../../../core/export/index.ts';
import { type Repeat, tileOf } from '../../../core/lattice/index.ts';
import { checkPrint, type PrintRules } from '../../../core/print/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { usePrintHouse, usePrintMutation } from '../../api/printOrders.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DialogFoot } from '../../ui/DialogFoot.tsx';
import { useNotify } from '../../ui/Notices.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnit } from '../../ui/unit.ts';
import { ClothChoice } from './ClothChoice.tsx';
import { FindingList } from './FindingList.tsx';
import { inPounds } from './money.ts';
import { TEXTS } from './texts.ts';

interface Ordered {
  readonly id: string;
  readonly name: string;
  /** The version that is shown. */
  readonly number: number;
  readonly repeat: Repeat;
  readonly isBare?: boolean;
}

interface Props {
  readonly swatch: Ordered;
  /** An order that this one begins as. */
  readonly before?: PrintOrder;
  readonly onClose: () => void;
}

/** Orders a print of a swatch: what it is printed on, how much of it, and whether it can be. */
export function OrderDialog({ swatch, before, onClose }: Props) {
  const house = usePrintHouse();
  const rules = house.data?.rules;
  return (
    <Dialog title={TEXTS.orderOf(swatch.name)} open wide onClose={onClose}>
      {rules ? (
        <OrderForm swatch={swatch} before={before} rules={rules} onClose={onClose} />
      ) : (
        <p role={house.data || house.isError ? 'alert' : 'status'} className="text-sm">
          {house.error?.message ?? (house.data ? TEXTS.houseClosed : TEXTS.fetchingRules)}
        </p>
      )}
    </Dialog>
  );
}

function OrderForm({
  swatch,
  before,
  rules,
  onClose,
}: Omit<Props, 'before'> & { readonly before: PrintOrder | undefined; readonly rules: PrintRules }) {
  const [unit] = useUnit();
  const [first] = rules.cloths;
  const [clothId, setCloth] = useState(before?.cloth.id ?? first?.id ?? '');
  const [metres, setMetres] = useState(before?.metres ?? first?.leastOrder ?? 1);
  const [format, setFormat] = useState<RasterFormatName>(before?.format ?? 'png');
  const [dpi, setDpi] = useState(before?.dpi ?? 300);
  const mutation = usePrintMutation();
  const navigate = useNavigate();
  const notify = useNotify();
  const cloth = rules.cloths.find(({ id }) => id === clothId) ?? first;
  if (!cloth) return null;
  const { id, name, number, repeat, isBare = false } = swatch;
  const findings = checkPrint({ format, dpi, tile: tileOf(repeat), metres, isBare }, rules, cloth, unit);
  const isRefused = findings.some(({ grade }) => grade === 'refusal');
  const order = (): void =>
    mutation.mutate(
      { order: { swatch: id, version: number, cloth: cloth.id, metres, format, dpi } },
      {
        onSuccess: () => {
          onClose();
          notify({
            text: TEXTS.wasOrdered(name),
            action: { label: TEXTS.showOrders, run: () => void navigate('/print-house') },
          });
        },
      },
    );
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        order();
      }}
    >
      <ClothChoice cloths={rules.cloths} value={cloth.id} onChange={setCloth} />
      <div className="grid grid-cols-[1fr_1fr_2fr] items-end gap-3">
        <QuantityField
          label={TEXTS.length}
          shown={formatNumber(metres, 2)}
          value={metres}
          read={(text) => parseAmount(text, { sign: '', current: metres, min: 0.1, max: 1e5 })}
          onChange={setMetres}
        />
        <QuantityField
          label={TEXTS.dpi}
          shown={formatNumber(dpi)}
          value={dpi}
          step={10}
          read={(text) => parseAmount(text, { sign: '', current: dpi, min: 10, max: 2400 })}
          onChange={setDpi}
        />
        <Choice
          label={TEXTS.format}
          captioned
          value={format}
          options={rules.formats.map((value) => ({ value, name: RASTER_FORMATS[value].name }))}
          onChange={setFormat}
        />
      </div>
      <FindingList label={TEXTS.checked} findings={findings} />
      {mutation.isError && (
        <p role="alert" className="text-sm text-madder">
          {mutation.error.message}
        </p>
      )}
      <DialogFoot>
        <span className="mr-auto text-sm">
          {TEXTS.onCloth(TEXTS.metres(metres), cloth.name)}:{' '}
          <strong>{TEXTS.total(inPounds(Math.round(cloth.price * metres)))}</strong>
        </span>
        <Button onClick={onClose}>{TEXTS.cancel}</Button>
        <Button type="submit" look="accent" disabled={isRefused || mutation.isPending}>
          {TEXTS.order}
        </Button>
      </DialogFoot>
    </form>
  );
}
