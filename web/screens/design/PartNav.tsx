import { useEditor } from '../../cloth/editorContext.ts';
import type { Part } from '../../editor/editorState.ts';
import { useStore } from '../../ui/store.ts';

const PARTS: readonly { part: Part; name: string; inBundle: boolean }[] = [
  { part: 'motifs', name: 'Motifs', inBundle: true },
  { part: 'repeat', name: 'Repeat', inBundle: false },
  { part: 'arrange', name: 'Arrange', inBundle: true },
  { part: 'colour', name: 'Colour', inBundle: false },
];

/** The parts of the job in their order; in a bundle only those that concern it. */
export function PartNav({ onPart }: { readonly onPart: (part: Part) => void }) {
  const editor = useEditor();
  const part = useStore(editor.part);
  return (
    <nav aria-label="Parts of the job" className="mx-auto flex shrink-0 items-center">
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
    </nav>
  );
}
