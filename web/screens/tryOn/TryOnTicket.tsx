import { RotateCcw, RotateCw } from 'lucide-react';
import type { Box } from '../../../core/geometry/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import {
  type Fill,
  fillOf,
  hangAt,
  layAbout,
  matchSeams,
  meets,
  nearestMotif,
  partPiece,
  clothOntoPattern,
  type PatternSource,
  type Piece,
  type Product,
  seamStates,
  sourceKey,
  type TryOn,
  withOrigin,
  withPieceSource,
} from '../../../core/tryon/index.ts';
import { transform } from '../../../core/geometry/index.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { useUnit } from '../../ui/unit.ts';
import type { ClothPoint } from './pointing.ts';
import { SourceFields } from './SourceFields.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly product: Product;
  readonly tryOn: TryOn;
  readonly patterns: ReadonlyMap<string, Pattern>;
  readonly missing: ReadonlySet<string>;
  /** What is seen of each piece, mm. */
  readonly extents: readonly Box[];
  readonly held: ClothPoint | undefined;
  readonly onHold: (point: ClothPoint) => void;
  readonly onChange: (next: TryOn) => void;
}

/** The ticket of a try-on: its pattern, how large it is printed, and how it lies on the selected piece. */
export function TryOnTicket({ product, tryOn, patterns, missing, extents, held, onHold, onChange }: Props) {
  const index = product.pieces.findIndex(({ id }) => id === held?.piece);
  const piece = product.pieces[index];
  const shown = piece ?? (product.pieces[0] as Piece);
  const fill = fillOf(tryOn, shown.id);
  const pattern = patterns.get(sourceKey(tryOn.source));
  const own = piece && tryOn.pieces.find(({ id }) => id === piece.id)?.source;
  const repeat = patterns.get(sourceKey(fill.source))?.pattern?.design.repeat;
  return (
    <>
      <TicketPart name={TEXTS.pattern}>
        <SourceFields
          source={tryOn.source}
          pattern={pattern}
          isMissing={missing.has(sourceKey(tryOn.source))}
          onChange={(source) => onChange({ ...tryOn, source })}
        />
      </TicketPart>
      <TicketPart name={TEXTS.size}>
        <SizeFields
          product={product}
          piece={shown}
          tryOn={tryOn}
          fill={fill}
          repeat={repeat}
          extent={extents[Math.max(0, index)]}
          held={held}
          onChange={onChange}
        />
      </TicketPart>
      <TicketPart name={TEXTS.pieces}>
        <PieceList product={product} extents={extents} held={held} onHold={onHold} />
        {product.seams && <SeamFields product={product} tryOn={tryOn} patterns={patterns} onChange={onChange} />}
      </TicketPart>
      {piece && held ? (
        <TicketPart name={piece.name}>
          <PieceFields
            piece={piece}
            tryOn={tryOn}
            held={held}
            extent={extents[index]}
            patterns={patterns}
            onChange={onChange}
          />
          {product.pieces.length > 1 && (
            <>
              <Tick
                label={TEXTS.ownSize}
                on={fill.isParted}
                onChange={(isParted) => onChange(partPiece(tryOn, piece.id, isParted))}
              />
              <Tick
                label={TEXTS.ownPattern}
                on={own !== undefined}
                onChange={(isOwn) => onChange(withPieceSource(tryOn, piece.id, isOwn ? tryOn.source : undefined))}
              />
            </>
          )}
          {own && (
            <SourceFields
              source={own}
              pattern={patterns.get(sourceKey(own))}
              isMissing={missing.has(sourceKey(own))}
              onChange={(source) => onChange(withPieceSource(tryOn, piece.id, source))}
            />
          )}
        </TicketPart>
      ) : (
        <p className="text-sm text-graphite">{TEXTS.clickAPiece}</p>
      )}
    </>
  );
}

/** How the pattern meets where pieces are sewn together. */
function SeamFields({
  product,
  tryOn,
  patterns,
  onChange,
}: Pick<Props, 'product' | 'tryOn' | 'patterns' | 'onChange'>) {
  const repeatOf = (source: PatternSource): Repeat | undefined =>
    patterns.get(sourceKey(source))?.pattern?.design.repeat;
  const states = seamStates(tryOn, product, repeatOf);
  return (
    <>
      <p className="text-sm text-graphite" role="status">
        {TEXTS.seamsMatch(states.filter(meets).length, states.length)}
      </p>
      <Button onClick={() => onChange(matchSeams(tryOn, product, repeatOf))}>{TEXTS.matchSeams}</Button>
    </>
  );
}

/** The pieces by their names, for those who do not point. */
function PieceList({ product, extents, held, onHold }: Pick<Props, 'product' | 'extents' | 'held' | 'onHold'>) {
  return (
    <div className="flex flex-wrap gap-1.5">
      {product.pieces.map(({ id, name }, n) => {
        const extent = extents[n];
        return (
          <Button
            key={id}
            pressed={held?.piece === id}
            disabled={!extent || extent.left > extent.right}
            onClick={() =>
              extent && onHold({ piece: id, u: (extent.left + extent.right) / 2, v: (extent.top + extent.bottom) / 2 })
            }
          >
            {name}
          </Button>
        );
      })}
    </div>
  );
}

interface SizeProps extends Pick<Props, 'product' | 'tryOn' | 'held' | 'onChange'> {
  readonly piece: Piece;
  readonly fill: Fill;
  readonly repeat: Repeat | undefined;
  readonly extent: Box | undefined;
}

function SizeFields({ product, piece, tryOn, fill, repeat, extent, held, onChange }: SizeProps) {
  const about = held ? { x: held.u, y: held.v } : piece.datum;
  const lay = (change: Partial<Pick<Fill, 'scale' | 'rotation'>>): void =>
    onChange(layAbout(tryOn, product, piece.id, change, about));
  const width = extent && extent.right - extent.left;
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.scale}
          sign="%"
          value={round(fill.scale * 100)}
          min={2}
          max={5000}
          onChange={(percent) => lay({ scale: percent / 100 })}
        />
        <AmountField
          label={TEXTS.rotation}
          sign="°"
          value={fill.rotation}
          min={-360}
          max={360}
          onChange={(rotation) => lay({ rotation })}
        />
        {repeat && (
          <LengthField
            label={TEXTS.repeatWidth}
            mm={repeat.width * fill.scale}
            min={0.5}
            max={20_000}
            onChange={(mm) => lay({ scale: mm / repeat.width })}
          />
        )}
        {repeat && width !== undefined && width > 0 && (
          <AmountField
            label={TEXTS.repeatsAcross}
            value={round(width / (repeat.width * fill.scale))}
            min={0.02}
            max={2000}
            onChange={(count) => lay({ scale: width / (count * repeat.width) })}
          />
        )}
      </div>
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => lay({ scale: fill.scale / 2 })}>{TEXTS.half}</Button>
        <Button pressed={fill.scale === 1} onClick={() => lay({ scale: 1 })}>
          {TEXTS.trueSize}
        </Button>
        <Button onClick={() => lay({ scale: fill.scale * 2 })}>{TEXTS.double}</Button>
        <span className="grow" />
        <Button label={TEXTS.turnLeft} onClick={() => lay({ rotation: fill.rotation - 15 })}>
          <RotateCcw size={15} aria-hidden />
        </Button>
        <Button label={TEXTS.turnRight} onClick={() => lay({ rotation: fill.rotation + 15 })}>
          <RotateCw size={15} aria-hidden />
        </Button>
      </div>
    </>
  );
}

interface PieceProps extends Pick<Props, 'tryOn' | 'patterns' | 'onChange'> {
  readonly piece: Piece;
  readonly held: ClothPoint;
  readonly extent: Box | undefined;
}

function PieceFields({ piece, tryOn, held, extent, patterns, onChange }: PieceProps) {
  const [unit] = useUnit();
  const fill = fillOf(tryOn, piece.id);
  const design = patterns.get(sourceKey(fill.source))?.pattern?.design;
  const centre = (): void => {
    const under = transform(clothOntoPattern(piece, fill), { x: held.u, y: held.v });
    const motif = design && nearestMotif(design, under);
    if (!motif || !extent) return;
    const middle = { x: (extent.left + extent.right) / 2, y: (extent.top + extent.bottom) / 2 };
    onChange(hangAt(tryOn, piece, motif, middle));
  };
  const here = (): void => {
    const point = { x: held.u, y: held.v };
    const motif = design && nearestMotif(design, transform(clothOntoPattern(piece, fill), point));
    if (motif) onChange(hangAt(tryOn, piece, motif, point));
  };
  return (
    <>
      {extent && (
        <p className="text-sm text-graphite">
          {formatLength(Math.round(extent.right - extent.left), unit)} ×{' '}
          {formatLength(Math.round(extent.bottom - extent.top), unit)}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.fromDatumX}
          mm={fill.x}
          min={-1e5}
          max={1e5}
          onChange={(x) => onChange(withOrigin(tryOn, piece.id, x, fill.y))}
        />
        <LengthField
          label={TEXTS.fromDatumY}
          mm={fill.y}
          min={-1e5}
          max={1e5}
          onChange={(y) => onChange(withOrigin(tryOn, piece.id, fill.x, y))}
        />
      </div>
      {design && design.placements.length > 0 && (
        <div className="grid gap-1.5">
          <Button onClick={here}>{TEXTS.centreMotif}</Button>
          <Button onClick={centre}>{TEXTS.centreOnPiece}</Button>
        </div>
      )}
    </>
  );
}

const round = (value: number): number => Number(value.toFixed(2));
