import { PRODUCT_GROUPS, type Product } from '../../../core/tryon/index.ts';
import { productPictureUrl, useProducts } from '../../api/tryOns.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly chosen: string | undefined;
  readonly onChoose: (product: Product) => void;
  readonly onClose: () => void;
}

/** Everything that a swatch can be tried on. */
export function ProductDialog({ open, chosen, onChoose, onClose }: Props) {
  const products = useProducts();
  return (
    <Dialog title={TEXTS.chooseProduct} open={open} onClose={onClose} wide>
      <div className="grid gap-5">
        {PRODUCT_GROUPS.map((group) => {
          const inGroup = products.data?.filter((product) => product.group === group) ?? [];
          if (inGroup.length === 0) return null;
          return (
            <section key={group} aria-label={TEXTS.groups[group]}>
              <h3 className="mb-2 font-name text-sm font-semibold">{TEXTS.groups[group]}</h3>
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-3">
                {inGroup.map((product) => (
                  <li key={product.id}>
                    <button
                      type="button"
                      aria-pressed={product.id === chosen}
                      onClick={() => onChoose(product)}
                      className="block w-full rounded-md border border-thread bg-white p-1 text-left hover:border-graphite aria-pressed:border-ink aria-pressed:ring-1 aria-pressed:ring-ink"
                    >
                      <img
                        src={productPictureUrl(product.id)}
                        alt=""
                        className="h-24 w-full rounded-sm object-contain"
                        loading="lazy"
                      />
                      <span className="mt-1 block truncate px-1 text-sm font-medium" title={product.name}>
                        {product.name}
                      </span>
                      <span className="block truncate px-1 pb-0.5 text-xs text-graphite" title={product.size}>
                        {product.size}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
      </div>
    </Dialog>
  );
}
