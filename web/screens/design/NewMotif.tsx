import { PenLine, Plus, Shapes, Type } from 'lucide-react';
import { use } from 'react';
import { useNavigate } from 'react-router';
import { useEditor } from '../../cloth/editorContext.ts';
import { Menu, type MenuChoice } from '../../ui/Menu.tsx';
import { fromDesign } from '../../ui/origin.ts';
import { ShowPartContext } from './showPart.ts';
import { TEXTS } from './texts.ts';

/** The ways to a new motif: built or lettered on a page of its own, from which one comes back with it, or drawn right here. */
export function NewMotif({ isSmall = false }: { readonly isSmall?: boolean }) {
  const editor = useEditor();
  const navigate = useNavigate();
  const show = use(ShowPartContext);
  const go = (path: string) => (): void => {
    const { id: design, name } = editor.design;
    void navigate(path, { state: fromDesign({ design, name }) });
  };
  const choices: readonly MenuChoice[] = [
    { name: TEXTS.buildAShape, Icon: Shapes, run: go('/build') },
    { name: TEXTS.letterAWord, Icon: Type, run: go('/build?figure=lettering') },
    { name: TEXTS.drawByHand, Icon: PenLine, run: () => show('draw') },
  ];
  return (
    <Menu
      label={isSmall ? TEXTS.newMotif : undefined}
      choices={choices}
      className={`inline-flex h-8 shrink-0 items-center justify-center gap-1.5 rounded-md border border-thread bg-white text-sm font-medium whitespace-nowrap hover:border-graphite ${isSmall ? 'w-8' : 'px-3'}`}
    >
      <Plus size={15} aria-hidden /> {!isSmall && TEXTS.newMotif}
    </Menu>
  );
}
