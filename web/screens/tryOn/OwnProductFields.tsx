import { Link } from 'react-router';
import { drawnSize, type Product } from '../../../core/tryon/index.ts';
import { useProductMutation } from '../../api/tryOns.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** What can be changed about a product of one's own: its name, and its size or the faces marked on it. */
export function OwnProductFields({ product }: { readonly product: Product }) {
  const { mutate } = useProductMutation();
  const notifyProblem = useNotifyProblem();
  const { id, name } = product;
  const width = drawnSize(product)?.width;
  const change = (next: { name?: string; by?: number }): void =>
    mutate({ id, change: next }, { onError: notifyProblem });
  return (
    <div className="grid gap-2">
      <NameField
        label={TEXTS.nameOfTheProduct}
        name={name}
        onRename={(next) => change({ name: next })}
        className="h-8 border-thread bg-white text-sm"
      />
      {width === undefined ? (
        <Link to={`/products/${id}/faces`} className="text-sm text-madder underline underline-offset-2">
          {TEXTS.markFaces}
        </Link>
      ) : (
        <LengthField
          label={TEXTS.productWidth}
          mm={width}
          min={1}
          max={50_000}
          onChange={(mm) => change({ by: mm / width })}
        />
      )}
    </div>
  );
}
