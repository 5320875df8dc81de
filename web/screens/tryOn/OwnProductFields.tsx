import { Link } from 'react-router';
import { drawnSize, type Product } from '../../../core/tryon/index.ts';
import { useProductMutation } from '../../api/tryOns.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly product: Product;
  /** How wide it is being made, mm. */
  readonly wantedWidth: number | undefined;
  /** It is to be made as wide as this, mm. */
  readonly onWidth: (mm: number, was: number) => void;
}

/** What can be changed about a product of one's own: its name, and its size or the faces marked on it. */
export function OwnProductFields({ product, wantedWidth, onWidth }: Props) {
  const { mutate } = useProductMutation();
  const notifyProblem = useNotifyProblem();
  const { id, name } = product;
  const width = drawnSize(product)?.width;
  return (
    <div className="grid gap-2">
      <NameField
        label={TEXTS.nameOfTheProduct}
        name={name}
        onRename={(next) => mutate({ id, change: { name: next } }, { onError: notifyProblem })}
        className="h-8 border-thread bg-white text-sm"
      />
      {width === undefined ? (
        <Link to={`/products/${id}/faces`} className="text-sm text-madder underline underline-offset-2">
          {TEXTS.markFaces}
        </Link>
      ) : (
        <LengthField
          label={TEXTS.productWidth}
          mm={wantedWidth ?? width}
          min={1}
          max={50_000}
          onChange={(mm) => onWidth(mm, width)}
        />
      )}
      {wantedWidth !== undefined && (
        <p role="status" className="text-xs text-graphite">
          {TEXTS.resizing}
        </p>
      )}
    </div>
  );
}
