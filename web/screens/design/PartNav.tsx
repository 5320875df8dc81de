import { Link } from 'react-router';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Part } from '../../editor/editorState.ts';
import { useTryOnOrigin } from '../../ui/origin.ts';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

const PARTS: readonly { part: Part; name: string; inBundle: boolean }[] = [
  { part: 'motifs', name: TEXTS.motifs, inBundle: true },
  { part: 'draw', name: TEXTS.draw, inBundle: false },
  { part: 'repeat', name: TEXTS.repeat, inBundle: false },
  { part: 'arrange', name: TEXTS.arrange, inBundle: true },
  { part: 'toss', name: TEXTS.toss, inBundle: false },
  { part: 'colour', name: TEXTS.colour, inBundle: false },
  { part: 'check', name: TEXTS.check, inBundle: false },
];

/** The parts of the job in their order; in a bundle only those that concern it. */
export function PartNav({ onPart }: { readonly onPart: (part: Part) => void }) {
  const editor = useEditor();
  const part = useStore(editor.part);
  const tryOn = useTryOnOrigin();
  const design = useStore(editor.session, ({ committed }) => committed.id);
  return (
    <nav aria-label={TEXTS.partsOfTheJob} className="mx-auto flex shrink-0 items-center">
      {PARTS.filter(({ inBundle }) => inBundle || !editor.inside).map(({ part: one, name }, i) => (
        <span key={one} className="flex items-center">
          {i > 0 && (
            <span aria-hidden className="text-thread">
              ·
            </span>
          )}
          <button
            type="button"
            aria-current={part === one ? 'step' : undefined}
            onClick={() => onPart(one)}
            className={`h-12 border-b-2 px-3 text-sm font-medium ${part === one ? 'border-ink' : 'border-transparent text-graphite hover:text-ink'}`}
          >
            {name}
          </button>
        </span>
      ))}
      {!editor.inside && (
        <span className="flex items-center">
          <span aria-hidden className="text-thread">
            ·
          </span>
          <Link
            to={tryOn === undefined ? `/try-ons/new?design=${design}` : `/try-ons/${tryOn}`}
            className="grid h-12 place-items-center border-b-2 border-transparent px-3 text-sm font-medium text-graphite hover:text-ink"
          >
            {TEXTS.tryOn}
          </Link>
        </span>
      )}
    </nav>
  );
}
