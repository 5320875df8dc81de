import type { Point } from '../../core/geometry/index.ts';

interface Props {
  /** CSS pixels. */
  readonly at: Point;
  readonly label: string;
  readonly chosen: boolean;
  readonly onPress: (event: PointerEvent) => void;
}

/** A point over the cloth that is dragged; keys reach it by the shortcuts of points. */
export function ClothPin({ at, label, chosen, onPress, ...data }: Props & Readonly<Record<`data-${string}`, unknown>>) {
  return (
    <button
      type="button"
      tabIndex={-1}
      data-own-press
      aria-label={label}
      title={label}
      style={{ left: at.x, top: at.y }}
      onPointerDown={(event) => onPress(event.nativeEvent)}
      className="absolute grid h-6 w-6 -translate-x-1/2 -translate-y-1/2 cursor-move touch-none place-items-center pointer-coarse:h-10 pointer-coarse:w-10"
      {...data}
    >
      <span
        className={`h-3 w-3 rounded-full border-2 shadow-float ${chosen ? 'border-white bg-ink' : 'border-ink bg-white'}`}
      />
    </button>
  );
}
