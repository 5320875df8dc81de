import { inksByUse } from '../../../core/colourway/index.ts';
import type { Ink } from '../../../core/document/index.ts';
import { latticeOf, repeatText } from '../../../core/lattice/index.ts';
import { formatNumber, mmPer, ruleDivision } from '../../../core/units/index.ts';
import type { ClothParts } from '../../cloth/clothParts.ts';
import type { ClothView } from '../../cloth/clothView.ts';
import { useUnit } from '../../ui/unit.ts';
import { useColourway } from '../../cloth/useColourway.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** The printed edge of the cloth: a rule that follows the zoom, a mark at each repeat, the name, the ink dots. */
export function Selvedge({ cloth, onInk }: { readonly cloth: ClothParts | undefined; readonly onInk: () => void }) {
  const editor = useEditor();
  const { inks, shown } = useShownInks();
  const { colours } = useColourway();
  const name = useStore(editor.session, ({ design }) => design.name);
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const [unit] = useUnit();
  return (
    <aside
      aria-label={TEXTS.selvedge}
      className="relative col-start-1 row-span-3 row-start-1 flex flex-col overflow-hidden border-r border-thread bg-white"
    >
      <div className="h-12 shrink-0" />
      <div className="relative min-h-0 grow">
        {cloth && <Rule view={cloth.view} />}
        {cloth && (
          <div
            data-selvedge-edge
            title={TEXTS.dragAGuideOutOf}
            className="absolute inset-y-0 right-0 w-4 cursor-col-resize touch-none"
            onPointerDown={(event) => {
              event.preventDefault();
              cloth.controller.pressGuide(event.nativeEvent);
            }}
          />
        )}
        <p className="pointer-events-none absolute top-3 left-0.5 flex max-h-[calc(100%-1.5rem)] rotate-180 items-center gap-3 text-xs whitespace-nowrap [writing-mode:vertical-rl] [text-orientation:sideways]">
          <span className="truncate font-name font-semibold">{name}</span>
          <span className="shrink-0 text-graphite">{repeatText(repeat, unit)}</span>
        </p>
      </div>
      <ul
        aria-label={TEXTS.inks}
        className="flex max-h-72 shrink-0 flex-col items-center gap-1.5 overflow-y-auto border-t border-thread py-3"
      >
        {shown.map((ink) => (
          <li key={ink.id}>
            <button
              type="button"
              title={`${ink.name}: ${colours[ink.id] ?? ''}`}
              aria-label={TEXTS.changeTheInkName(ink.name)}
              onClick={() => {
                editor.ink.set(ink.id);
                onInk();
              }}
              className="block h-5 w-5 rounded-full border border-ink/25"
              style={{ background: colours[ink.id] }}
            />
          </li>
        ))}
        {inks.length > shown.length && (
          <li>
            <button type="button" onClick={onInk} className="text-xs text-graphite" title={TEXTS.moreInks}>
              +{inks.length - shown.length}
            </button>
          </li>
        )}
      </ul>
    </aside>
  );
}

/** As many as have room. */
const MOST_SHOWN = 10;

/** All inks, and those with a dot: where there are too many, the most used, in the order of the design. */
function useShownInks(): { readonly inks: readonly Ink[]; readonly shown: readonly Ink[] } {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  useStore(editor.motifs);
  const { inks } = design;
  if (inks.length <= MOST_SHOWN) return { inks, shown: inks };
  const most = new Set(inksByUse(design, editor.motifMap).slice(0, MOST_SHOWN - 1));
  return { inks, shown: inks.filter((ink) => most.has(ink)) };
}

/** The rule down the cloth's edge. */
function Rule({ view }: { readonly view: ClothView }) {
  const editor = useEditor();
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const [unit] = useUnit();
  const { plan, density, y, height } = useStore({ subscribe: view.subscribe, getState: view.getViewport });
  const scale = plan.scaleY / density;
  const { minor, every } = ruleDivision(scale, unit);
  const first = Math.floor(y / density / scale / minor);
  const last = Math.ceil((y / density + height) / scale / minor);
  const at = (mm: number): number => mm * scale - y / density;
  const ticks = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i);
  const lattice = latticeOf(repeat);
  const firstCell = Math.floor(y / density / scale / lattice.domain.height);
  const cells = Array.from(
    { length: Math.min(400, Math.ceil(height / (lattice.domain.height * scale)) + 2) },
    (_, i) => firstCell + i,
  );
  return (
    <svg className="absolute inset-0 h-full w-full" aria-hidden data-rule>
      {ticks.map((n) => {
        const long = n % every === 0;
        return (
          <line
            key={n}
            x1={long ? 42 : n % (every / 2) === 0 ? 46 : 50}
            x2="56"
            y1={at(n * minor)}
            y2={at(n * minor)}
            stroke="#5b5f69"
            strokeWidth="1"
            shapeRendering="crispEdges"
          />
        );
      })}
      {ticks
        .filter((n) => n % every === 0)
        .map((n) => (
          <text key={n} x="41" y={at(n * minor) + 10} textAnchor="end" fontSize="9.5" fill="#5b5f69">
            {formatNumber((n * minor) / mmPer(unit), 2)}
          </text>
        ))}
      {cells.map((j) => (
        <path
          key={j}
          d={`M56 ${at(j * lattice.domain.height) - 5} L48 ${at(j * lattice.domain.height)} L56 ${at(j * lattice.domain.height) + 5} Z`}
          fill="#b3402e"
        />
      ))}
    </svg>
  );
}
