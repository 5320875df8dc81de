import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { fillOf, type Product, type TryOn, withOrigin } from '../../../core/tryon/index.ts';
import { PatternHandles } from './PatternHandles.tsx';
import { type ClothPoint, clothPointAt, pointOnPiece, sceneOf } from './pointing.ts';
import { productPictureUrl } from '../../api/tryOns.ts';
import { WorkingSign } from '../../ui/WorkingSign.tsx';
import { takeArrow } from '../../ui/arrowSteps.ts';
import { TEXTS } from './texts.ts';
import type { DressedPicture } from './useDressed.ts';

interface Props {
  readonly product: Product;
  readonly tryOn: TryOn;
  readonly dressed: DressedPicture;
  /** Whether a newer picture is on its way while the hand rests. */
  readonly isComing: boolean;
  /** CSS pixels of the place that the picture fits into. */
  readonly width: number;
  readonly height: number;
  /** The point that was clicked last, which the handles stand by. */
  readonly held: ClothPoint | undefined;
  readonly onHold: (point: ClothPoint | undefined) => void;
  /** While the hand moves, and once it rests. */
  readonly onMove: (next: TryOn) => void;
  readonly onRest: (next: TryOn) => void;
  /** What is drawn over the picture. */
  readonly children?: ReactNode;
}

/** mm that an arrow key moves a pattern by; ten times that with Shift. */
const NUDGE = 1;

/** CSS pixels of a picture that fits into a place, and one of its scene's units. */
export function fit(product: Product, width: number, height: number) {
  const unit = Math.max(0.01, Math.min((width - 2 * ROOM) / product.width, (height - 2 * ROOM) / product.height));
  return { unit, width: product.width * unit, height: product.height * unit };
}
const ROOM = 20;

/** The product in its cloth: the pattern is dragged on it, and scaled and turned by handles beside the pointer. */
export function TryOnStage({
  product,
  tryOn,
  dressed,
  isComing,
  width,
  height,
  held,
  onHold,
  onMove,
  onRest,
  children,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drag = useRef<{ readonly from: ClothPoint; readonly tryOn: TryOn; latest: TryOn | undefined }>(undefined);
  const { picture, map } = dressed;
  const size = fit(product, width, height);
  const piece = product.pieces.find(({ id }) => id === held?.piece);

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context || !picture) return;
    if (canvas.current.width !== picture.width) canvas.current.width = picture.width;
    if (canvas.current.height !== picture.height) canvas.current.height = picture.height;
    context.putImageData(new ImageData(picture.pixels, picture.width, picture.height), 0, 0);
  }, [picture]);

  const sceneAt = (event: PointerEvent): Point => {
    const box = (canvas.current as HTMLCanvasElement).getBoundingClientRect();
    return { x: (event.clientX - box.left) / size.unit, y: (event.clientY - box.top) / size.unit };
  };

  const onPointerDown = (event: PointerEvent<HTMLCanvasElement>): void => {
    if (!map || event.button !== 0) return;
    const from = clothPointAt(product, map, sceneAt(event));
    onHold(from);
    if (!from) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { from, tryOn, latest: undefined };
  };
  const onPointerMove = (event: PointerEvent<HTMLCanvasElement>): void => {
    const own = product.pieces.find(({ id }) => id === drag.current?.from.piece);
    if (!drag.current || !own) return;
    const { from, tryOn: before } = drag.current;
    const to = pointOnPiece(own, sceneAt(event));
    // Beyond the edge of what is seen there is no cloth to drag it to.
    if (!to) return;
    const { x, y } = fillOf(before, own.id);
    const next = withOrigin(before, own.id, round(x + to.u - from.u), round(y + to.v - from.v));
    drag.current.latest = next;
    onHold(to);
    onMove(next);
  };
  const onPointerUp = (): void => {
    if (drag.current?.latest) onRest(drag.current.latest);
    drag.current = undefined;
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!piece || event.target !== event.currentTarget) return;
    const by = takeArrow(event, NUDGE);
    if (!by) return;
    const { x, y } = fillOf(tryOn, piece.id);
    onRest(withOrigin(tryOn, piece.id, round(x + by.x), round(y + by.y)));
  };

  return (
    <div
      className="relative outline-offset-4"
      style={{ width: size.width, height: size.height }}
      tabIndex={0}
      role="application"
      aria-label={TEXTS.picture}
      data-dressed={dressed.isCurrent || undefined}
      data-took={picture ? Math.round(picture.took) : undefined}
      onKeyDown={onKeyDown}
    >
      {!picture && (
        <img src={productPictureUrl(product)} alt="" className="absolute inset-0 h-full w-full object-contain" />
      )}
      <canvas
        ref={canvas}
        className="absolute inset-0 h-full w-full cursor-move touch-none rounded-sm"
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
      />
      <WorkingSign isBusy={isComing}>{TEXTS.layingThePattern}</WorkingSign>
      {children}
      {piece && held && (
        <PatternHandles
          product={product}
          piece={piece}
          tryOn={tryOn}
          about={held}
          at={scaled(sceneOf(piece, held), size.unit)}
          onMove={onMove}
          onRest={onRest}
        />
      )}
    </div>
  );
}

const scaled = ({ x, y }: Point, unit: number): Point => ({ x: x * unit, y: y * unit });
const round = (mm: number): number => Math.round(mm * 1000) / 1000;
