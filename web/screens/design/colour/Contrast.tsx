import { type Hex, VISIONS } from '../../../../core/colour/index.ts';
import { weakPairs } from '../../../../core/colourway/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import { useUnit } from '../../../ui/unit.ts';
import type { InkAreasOf } from './useInkAreas.ts';
import { TEXTS } from './texts.ts';

/** Which inks that touch can hardly be told apart, in the way of seeing that the cloth is looked at in. */
export function Contrast({ areas }: { readonly areas: InkAreasOf | undefined }) {
  const editor = useEditor();
  const [unit] = useUnit();
  const { colours } = useColourway();
  const vision = useStore(editor.vision);
  const inks = areas?.inks.map(({ id, name }) => ({ id, name, colour: colours[id] ?? ('#808080' as Hex) })) ?? [];
  const pairs = areas ? weakPairs(inks, areas.edges, areas.mmPerPixel, undefined, vision) : [];
  return (
    <>
      <label className="grid gap-0.5 text-xs text-graphite">
        {TEXTS.seeIt}
        <select
          aria-label={TEXTS.seeIt}
          value={vision ?? ''}
          onChange={({ target: { value } }) => editor.vision.set(VISIONS.find((one) => one === value))}
          className="h-8 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        >
          <option value="">{TEXTS.asItIs}</option>
          {VISIONS.map((one) => (
            <option key={one} value={one}>
              {TEXTS.visionName(one)}
            </option>
          ))}
        </select>
      </label>
      <p className="text-xs text-graphite">{areas ? TEXTS.contrastNote : TEXTS.measuring}</p>
      {areas && pairs.length === 0 && <p className="text-sm">{TEXTS.noWeakPairs}</p>}
      <ul aria-label={TEXTS.contrast} className="grid gap-1">
        {pairs.map(({ a, b, difference, edge }) => {
          const [from, to] = [inks.find(({ id }) => id === a), inks.find(({ id }) => id === b)];
          return (
            <li key={`${a} ${b}`}>
              <button
                type="button"
                onClick={() => editor.ink.set(b)}
                className="flex w-full items-center gap-2 rounded-md border border-thread bg-white p-1.5 text-left text-sm hover:border-graphite"
              >
                <span aria-hidden className="flex shrink-0">
                  <span className="h-6 w-6 rounded-l-sm" style={{ background: from?.colour }} />
                  <span className="h-6 w-6 rounded-r-sm" style={{ background: to?.colour }} />
                </span>
                <span className="grid min-w-0">
                  <span className="truncate">
                    {from?.name}, {to?.name}
                  </span>
                  <span className="text-xs text-graphite">
                    {TEXTS.weakPair(difference.toFixed(1), formatLength(Math.round(edge), unit))}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
