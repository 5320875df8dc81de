import { Radio, RadioGroup } from '@headlessui/react';
import { useMemo, type ReactNode } from 'react';
import {
  everyFraction,
  mirroredStep,
  mirroringsOf,
  planeGroupOf,
  proportionOf,
  rotatedStep,
  rotationsOf,
  SQUARE,
  step,
  type Step,
  stepText,
  symmetryText,
} from '../../../core/lattice/index.ts';
import type { TileWay } from '../../../core/recipe/index.ts';
import { withWay } from './frameHands.ts';
import type { JoinVisibility, TileWish } from '../../../core/tile/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Tick } from '../../ui/Tick.tsx';
import type { SeenTile } from './tileWorker.ts';
import { TileCloth } from './TileCloth.tsx';
import { TEXTS } from './texts.ts';
import { type TileAsk, useTiles } from './useTiles.ts';

/** Everything that a step can do to its cells, each as a step: all plane groups but that of no operation, some of them in two directions. */
const LAID: readonly Step[] = [
  ...mirroringsOf(SQUARE).map((mirrored) => mirroredStep(SQUARE, mirrored)),
  ...rotationsOf(SQUARE).map((rotated) => rotatedStep(SQUARE, rotated)),
  ...(['columns', 'both'] as const).map((mirrored) => mirroredStep(step('half-drop'), mirrored)),
];
/** Laid as it is, a picture is a ready tile. */
type Choosable = TileWay['kind'] | 'ready';
const WAYS: readonly Choosable[] = ['laid', 'halves', 'joined', 'ready'];
const HINTS: Readonly<Record<Choosable, string>> = {
  ready: TEXTS.readyHint,
  laid: TEXTS.laidHint,
  halves: TEXTS.halvesHint,
  joined: TEXTS.joinedHint,
};

/** Whether a picture is laid as it is. */
export function isReady({ kind, step: { mirrored, rotated } }: TileWay): boolean {
  return kind === 'laid' && mirrored === undefined && rotated === undefined;
}
/** Farther than this from the picture in the mean, CIEDE2000, its colours are others to the eye. */
const MOST_DRIFT = 3;
/** Pixels of a small picture of a symmetry. */
const SMALL = 2500;

interface Props {
  readonly url: string;
  readonly pictureWidth: number;
  readonly wish: TileWish;
  /** What was made of it last. */
  readonly tile: Pick<SeenTile, 'visibility' | 'drift'> | undefined;
  readonly onWay: (way: TileWay, field: string) => void;
  /** What is said of a ready tile's edges. */
  readonly children: ReactNode;
}

/** How the frame is made to repeat. */
export function WayTicket({ url, pictureWidth, wish, tile, onWay, children }: Props) {
  const { way } = wish;
  const chosen = isReady(way) ? 'ready' : way.kind;
  const kinds: Readonly<Record<Choosable, () => TileWay>> = {
    ready: () => ({ kind: 'laid', step: SQUARE }),
    laid: () => ({ kind: 'laid', step: mirroredStep(SQUARE, 'both') }),
    halves: () => ({ kind: 'halves', step: SQUARE }),
    joined: () => ({ kind: 'joined', step: SQUARE, overlap: 0.2, spread: true, even: false }),
  };
  return (
    <div className="grid gap-4">
      <Choice
        label={TEXTS.way}
        value={chosen}
        options={WAYS.map((kind) => ({ value: kind, name: TEXTS[kind] }))}
        onChange={(kind) => onWay(kinds[kind](), 'kind')}
      />
      <p className="text-xs text-graphite">{HINTS[chosen]}</p>
      {chosen === 'joined' && tile?.drift !== undefined && tile.drift > MOST_DRIFT && (
        <div role="alert" className="grid gap-2 text-sm" data-drift={tile.drift}>
          <p>{TEXTS.coloursDrift(formatNumber(tile.drift, 1))}</p>
          <div className="grid grid-cols-2 gap-1">
            <Button onClick={() => onWay(kinds.laid(), 'kind')}>{TEXTS.laid}</Button>
            <Button onClick={() => onWay(kinds.halves(), 'kind')}>{TEXTS.halves}</Button>
          </div>
        </div>
      )}
      {chosen === 'laid' ? (
        <SymmetryChoice
          url={url}
          pictureWidth={pictureWidth}
          wish={wish}
          onStep={(next) => onWay({ kind: 'laid', step: next }, 'step')}
        />
      ) : (
        <PlainStepChoice step={way.step} onStep={(next) => onWay({ ...way, step: next }, 'step')} />
      )}
      {chosen === 'ready' && children}
      {way.kind === 'joined' && (
        <>
          <AmountField
            label={TEXTS.overlap}
            sign="%"
            value={100 * way.overlap}
            min={2}
            max={50}
            onChange={(percent) => onWay({ ...way, overlap: percent / 100 }, 'overlap')}
          />
          <div>
            <Tick
              label={TEXTS.spreadTheStep}
              on={way.spread}
              onChange={(spread) => onWay({ ...way, spread }, 'spread')}
            />
            <Tick label={TEXTS.evenTheLight} on={way.even} onChange={(even) => onWay({ ...way, even }, 'even')} />
          </div>
          {tile?.visibility && tile.visibility.inside > 0 && <JoinNote visibility={tile.visibility} />}
        </>
      )}
    </div>
  );
}

/** Steps across the join that are no stronger than this, beside those inside, are not seen. */
const UNSEEN = 1.1;

function JoinNote({ visibility: { join, inside } }: { readonly visibility: JoinVisibility }) {
  const percent = formatNumber((100 * join) / inside, 0);
  return (
    <p role="status" className="text-sm" data-join={join / inside}>
      {join <= UNSEEN * inside ? TEXTS.joinHidden(percent) : TEXTS.joinShows(percent)}
    </p>
  );
}

interface SymmetryProps {
  readonly url: string;
  readonly pictureWidth: number;
  readonly wish: TileWish;
  readonly onStep: (step: Step) => void;
}

/** Each symmetry as a small live cloth of this very frame. */
function SymmetryChoice({ url, pictureWidth, wish, onStep }: SymmetryProps) {
  const { frame, width } = wish;
  const orders = useMemo(
    () =>
      LAID.map((one): TileAsk => ({
        url,
        pictureWidth,
        wish: withWay({ frame, width, way: { kind: 'laid', step: one } }, { kind: 'laid', step: one }),
        most: SMALL,
      })),
    [url, pictureWidth, frame, width],
  );
  const { tiles } = useTiles(orders);
  return (
    <RadioGroup
      value={nameOf(wish.way.step)}
      onChange={(name: string) => onStep(LAID.find((one) => nameOf(one) === name) ?? SQUARE)}
      aria-label={TEXTS.symmetry}
      className="grid grid-cols-3 gap-1.5"
    >
      {LAID.map((one, n) => {
        const tile = tiles[n];
        return (
          <Radio
            key={nameOf(one)}
            value={nameOf(one)}
            title={stepText(one)}
            aria-label={`${planeGroupOf(one)}, ${stepText(one)}`}
            className="flex cursor-pointer flex-col items-center gap-1 rounded-md border border-thread bg-white p-1 text-center text-[11px] leading-tight data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
          >
            {typeof tile === 'object' ? (
              <TileCloth
                tile={tile}
                cells={proportionOf(one) === undefined ? 1.5 : 1.2}
                label=""
                className="h-14 w-full rounded-xs"
              />
            ) : (
              <span className="h-14 w-full rounded-xs bg-linen" />
            )}
            <span>
              <b>{planeGroupOf(one)}</b> {one.kind === 'square' ? symmetryText(one) : stepText(one)}
            </span>
          </Radio>
        );
      })}
    </RadioGroup>
  );
}

const nameOf = ({ kind, mirrored, rotated }: Step): string => [kind, mirrored, rotated].join(' ');

/** Square, half-drop or brick, by any fraction. */
function PlainStepChoice({
  step: { kind, drop },
  onStep,
}: {
  readonly step: Step;
  readonly onStep: (step: Step) => void;
}) {
  return (
    <>
      <Choice
        label={TEXTS.step}
        captioned
        value={kind}
        options={[
          { value: 'square', name: TEXTS.square },
          { value: 'half-drop', name: TEXTS.halfDrop },
          { value: 'brick', name: TEXTS.brick },
        ]}
        onChange={(next) => onStep(kind === 'square' ? step(next) : step(next, drop.p, drop.q))}
      />
      {kind !== 'square' && (
        <select
          aria-label={TEXTS.fraction}
          value={`${drop.p}/${drop.q}`}
          onChange={(event) => {
            const [p, q] = event.target.value.split('/').map(Number);
            onStep(step(kind, p, q));
          }}
          className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
        >
          {everyFraction().map(({ p, q }) => (
            <option key={`${p}/${q}`}>
              {p}/{q}
            </option>
          ))}
        </select>
      )}
    </>
  );
}
