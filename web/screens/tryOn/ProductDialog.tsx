import { ImageUp, Trash2 } from 'lucide-react';
import { useRef } from 'react';
import { PRODUCT_GROUPS, type Product } from '../../../core/tryon/index.ts';
import { productPictureUrl, useProductMutation, useProducts } from '../../api/tryOns.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { FileInput } from '../../ui/FileInput.tsx';
import { MotifField } from '../../ui/MotifField.tsx';
import { useRemoval } from '../../ui/useRemoval.ts';
import { PlainShapeFields } from './PlainShapeFields.tsx';
import { shapeFile } from './plainShape.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly chosen: string | undefined;
  readonly onChoose: (product: Product) => void;
  readonly onClose: () => void;
}

/** Everything that a swatch can be tried on, and a way to add one's own. */
export function ProductDialog({ open, chosen, onChoose, onClose }: Props) {
  const products = useProducts();
  const mutation = useProductMutation();
  const file = useRef<HTMLInputElement>(null);
  const taken = { onSuccess: (product: Product | undefined) => product && onChoose(product) };
  const bring = (picture: File): void => mutation.mutate({ file: picture }, taken);
  return (
    <Dialog title={TEXTS.chooseProduct} open={open} onClose={onClose} wide>
      <div className="grid gap-5">
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => file.current?.click()} disabled={mutation.isPending}>
            <ImageUp size={15} aria-hidden /> {TEXTS.ownProduct}
          </Button>
          <span className="text-sm text-graphite">{mutation.isPending ? TEXTS.readingFile : TEXTS.ownProductHint}</span>
          <span className="w-56">
            <MotifField
              label={TEXTS.ofMotif}
              prompt={TEXTS.ofMotifPrompt}
              onPick={({ id }) => mutation.mutate({ motif: id }, taken)}
            />
          </span>
          <FileInput
            at={file}
            label={TEXTS.ownProduct}
            accept=".svg,.svgz,.png,.jpg,.jpeg,.webp,.tif,.tiff,.avif"
            onFile={bring}
          />
        </div>
        <PlainShapeFields isBusy={mutation.isPending} onCreate={(shape) => bring(shapeFile(shape))} />
        {mutation.isError && (
          <p role="alert" className="text-sm text-madder">
            {mutation.error.message}
          </p>
        )}
        {PRODUCT_GROUPS.map((group) => {
          const inGroup = products.data?.filter((product) => product.group === group) ?? [];
          if (inGroup.length === 0) return null;
          return (
            <section key={group} aria-label={TEXTS.groups[group]}>
              <h3 className="mb-2 font-name text-sm font-semibold">{TEXTS.groups[group]}</h3>
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-3">
                {inGroup.map((product) => (
                  <Choice key={product.id} product={product} isChosen={product.id === chosen} onChoose={onChoose} />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
    </Dialog>
  );
}

interface ChoiceProps {
  readonly product: Product;
  readonly isChosen: boolean;
  readonly onChoose: (product: Product) => void;
}

function Choice({ product, isChosen, onChoose }: ChoiceProps) {
  const remove = useRemoval(useProductMutation(), TEXTS.nameWasDeleted);
  const { name, size, group } = product;
  return (
    <li className="group relative">
      <button
        type="button"
        aria-pressed={isChosen}
        onClick={() => onChoose(product)}
        className="block w-full rounded-md border border-thread bg-white p-1 text-left hover:border-graphite aria-pressed:border-ink aria-pressed:ring-1 aria-pressed:ring-ink"
      >
        <img
          src={productPictureUrl(product)}
          alt=""
          className="h-24 w-full rounded-sm object-contain"
          style={{ background: product.backdrop }}
          loading="lazy"
        />
        <span className="mt-1 block truncate px-1 text-sm font-medium" title={name}>
          {name}
        </span>
        <span className="block h-4 truncate px-1 pb-0.5 text-xs text-graphite" title={size}>
          {size}
        </span>
      </button>
      {group === 'own' && (
        <Button
          label={TEXTS.deleteName(name)}
          onClick={() => remove(product)}
          className="absolute top-1 right-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      )}
    </li>
  );
}
