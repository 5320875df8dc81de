import { CircleAlert, CircleX, Info } from 'lucide-react';
import type { PrintFinding } from '../../../core/print/index.ts';

const LOOKS = {
  refusal: { icon: CircleX, colour: 'text-madder' },
  warning: { icon: CircleAlert, colour: 'text-ink' },
  note: { icon: Info, colour: 'text-graphite' },
} as const;

/** What was found about an order before it is sent. */
export function FindingList({
  label,
  findings,
}: {
  readonly label: string;
  readonly findings: readonly PrintFinding[];
}) {
  return (
    <ul aria-label={label} aria-live="polite" className="grid gap-1.5 text-sm">
      {findings.map(({ grade, text }) => {
        const { icon: Icon, colour } = LOOKS[grade];
        return (
          <li key={text} data-grade={grade} className={`flex gap-2 ${colour}`}>
            <Icon size={15} aria-hidden className="mt-0.5 shrink-0" /> {text}
          </li>
        );
      })}
    </ul>
  );
}
