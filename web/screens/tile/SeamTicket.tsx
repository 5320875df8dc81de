import { type Step, stepText } from '../../../core/lattice/index.ts';
import type { PictureFrame, TileWay } from '../../../core/recipe/index.ts';
import type { SeamFault } from '../../../core/tile/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { slippedFrame, trimmedFrame } from './frameHands.ts';
import { TEXTS } from './texts.ts';
import type { SeenSeams } from './useSeams.ts';

interface Props {
  readonly seams: SeenSeams;
  readonly frame: PictureFrame;
  readonly step: Step;
  readonly onFrame: (frame: PictureFrame) => void;
  readonly onWay: (way: TileWay) => void;
}

/** Whether the framed picture is a tile already: in which step, what is wrong with it by name, and what mends that. */
export function SeamTicket({ seams, frame, step, onFrame, onWay }: Props) {
  if (!seams) return <p className="text-sm text-graphite">{TEXTS.lookingAtTheEdges}</p>;
  if ('problem' in seams) return <p className="text-sm text-madder">{seams.problem}</p>;
  const { faults } = seams;
  const isStep = stepText(seams.step) === stepText(step);
  const heal = (): void => onWay({ kind: 'joined', step: seams.step, overlap: HEALING, spread: true, even: false });
  return (
    <section
      aria-label={TEXTS.edges}
      className="grid gap-2 text-sm"
      data-seams={faults.length === 0 ? 'seamless' : 'broken'}
    >
      <p>
        {faults.length === 0 ? TEXTS.seamlessAs(stepText(seams.step)) : TEXTS.bestAs(stepText(seams.step))}{' '}
        <span className="text-graphite">
          {TEXTS.joinRoughness(formatNumber(seams.sides, 2), formatNumber(seams.ends, 2))}
        </span>
      </p>
      {!isStep && (
        <Button onClick={() => onWay({ kind: 'laid', step: seams.step })}>
          {TEXTS.takeStep(stepText(seams.step))}
        </Button>
      )}
      <ul className="grid gap-2">
        {faults.map((fault) => (
          <li key={JSON.stringify(fault)} className="flex items-center justify-between gap-2">
            <span>{sentenceOf(fault)}</span>
            {(fault.kind === 'stray' || fault.kind === 'transparent') && (
              <Button
                onClick={() => onFrame(trimmedFrame(frame, fault.edge, (fault.count * frame.width) / seams.width))}
              >
                {TEXTS.trim}
              </Button>
            )}
            {fault.kind === 'slip' && (
              <Button onClick={() => onFrame(slippedFrame(frame, fault.join, (fault.by * frame.width) / seams.width))}>
                {TEXTS.resample}
              </Button>
            )}
            {(fault.kind === 'break' || fault.kind === 'corner') && <Button onClick={heal}>{TEXTS.heal}</Button>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How much of a broken tile lies over itself when it is healed. */
const HEALING = 0.1;

function sentenceOf(fault: SeamFault): string {
  switch (fault.kind) {
    case 'stray':
      return TEXTS.stray(fault.count, TEXTS.edgeNames[fault.edge]);
    case 'transparent':
      return TEXTS.transparent(fault.count, TEXTS.edgeNames[fault.edge]);
    case 'break':
      return TEXTS.breaks[fault.join](formatNumber(100 * fault.share, 0));
    case 'slip':
      return TEXTS.slips[fault.join];
    case 'corner':
      return TEXTS.brokenCorner;
    case 'blocks':
      return TEXTS.blocks;
  }
}
