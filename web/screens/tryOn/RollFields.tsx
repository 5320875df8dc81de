import type { Repeat } from '../../../core/lattice/index.ts';
import { type RollMatch, type TryOn, type Wall } from '../../../core/tryon/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { papered } from './rollPlan.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly tryOn: TryOn;
  readonly repeat: Repeat | undefined;
  readonly onChange: (next: TryOn) => void;
}

/** The wall's size, the rolls that it is papered with, and how many it takes. */
export function RollFields({ tryOn, repeat, onChange }: Props) {
  const { wall, print, plan, problem } = papered(tryOn, repeat);
  const change = (next: Partial<Wall>): void => onChange({ ...tryOn, wall: { ...wall, ...next } });
  const columns = print && wall.rollWidth / print.across;
  const natural = print?.match(wall.rollWidth);
  const metres = (mm: number): string => formatNumber(mm / 1000, 2);
  return (
    <TicketPart name={TEXTS.wallpaper}>
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.wallWidth}
          mm={wall.width}
          min={300}
          max={30_000}
          onChange={(width) => change({ width })}
        />
        <LengthField
          label={TEXTS.wallHeight}
          mm={wall.height}
          min={300}
          max={10_000}
          onChange={(height) => change({ height })}
        />
        <LengthField
          label={TEXTS.rollWidth}
          mm={wall.rollWidth}
          min={100}
          max={5000}
          onChange={(rollWidth) => change({ rollWidth })}
        />
        <LengthField
          label={TEXTS.rollLength}
          mm={wall.rollLength}
          min={500}
          max={200_000}
          onChange={(rollLength) => change({ rollLength })}
        />
      </div>
      <Choice<RollMatch>
        label={TEXTS.match}
        captioned
        value={wall.match}
        options={[
          { value: 'straight', name: TEXTS.straightMatch },
          { value: 'half-drop', name: TEXTS.halfDropMatch },
          { value: 'free', name: TEXTS.freeMatch },
        ]}
        onChange={(match) => change({ match })}
      />
      {repeat && !print && wall.match !== 'free' && <p className="text-xs text-graphite">{TEXTS.neverMatches}</p>}
      {columns !== undefined && natural === undefined && wall.match !== 'free' && (
        <p className="text-xs text-graphite">
          {TEXTS.joinsDoNotMeet(formatNumber(columns, 2))}{' '}
          <Button
            className="mt-1"
            onClick={() => onChange({ ...tryOn, scale: (tryOn.scale * columns) / Math.max(1, Math.round(columns)) })}
          >
            {TEXTS.fitRoll(Math.max(1, Math.round(columns)))}
          </Button>
        </p>
      )}
      {natural !== undefined && natural !== wall.match && wall.match !== 'free' && (
        <p className="text-xs text-graphite">
          {TEXTS.otherMatch}{' '}
          <Button className="mt-1" onClick={() => change({ match: natural })}>
            {natural === 'half-drop' ? TEXTS.useHalfDrop : TEXTS.useStraight}
          </Button>
        </p>
      )}
      {problem !== undefined && (
        <p role="alert" className="text-sm text-madder">
          {problem}
        </p>
      )}
      {plan && (
        <p role="status" className="text-sm" data-rolls={plan.rolls}>
          <strong>{TEXTS.rolls(plan.rolls)}</strong> {TEXTS.drops(plan.drops.length, metres(wall.height))}{' '}
          {TEXTS.cutAway(metres(plan.waste), metres(plan.left))}
        </p>
      )}
    </TicketPart>
  );
}
