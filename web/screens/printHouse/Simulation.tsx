import { HOUSE_BEHAVIOURS, type HouseBehaviour } from '../../../core/print/index.ts';
import { useBehaviour } from '../../api/printOrders.ts';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** Says that the print house is simulated, and tells it how to behave. */
export function Simulation({ behaviour }: { readonly behaviour: HouseBehaviour }) {
  const telling = useBehaviour();
  const notifyProblem = useNotifyProblem();
  return (
    <section aria-label={TEXTS.simulated} className="rounded-md border border-dashed border-thread p-3 text-sm">
      <h2 className="font-medium">{TEXTS.simulated}</h2>
      <label className="mt-1 grid gap-1 text-graphite">
        {TEXTS.simulatedNote}
        <select
          aria-label={TEXTS.behaviour}
          value={telling.isPending ? telling.variables : behaviour}
          // The options are the behaviours.
          onChange={(event) => telling.mutate(event.target.value as HouseBehaviour, { onError: notifyProblem })}
          className="h-8 rounded-md border border-thread bg-white px-2 text-ink"
        >
          {HOUSE_BEHAVIOURS.map((behaviour) => (
            <option key={behaviour} value={behaviour}>
              {TEXTS.behaviourOf(behaviour)}
            </option>
          ))}
        </select>
      </label>
    </section>
  );
}
