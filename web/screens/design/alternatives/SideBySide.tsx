import { takeArrangement } from '../../../../core/arrange/index.ts';
import { colourwayOf, type Design } from '../../../../core/document/index.ts';
import { useAlternativeDesigns, useAlternatives } from '../../../api/alternatives.ts';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Panes, type Pane } from './Panes.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  /** Ids of kept alternatives, up to three. */
  readonly alternatives: readonly string[];
  readonly onClose: () => void;
}

/** The arrangement being worked at and up to three that were kept, as live cloth, moved and zoomed as one; any can be taken. */
export function SideBySide({ alternatives, onClose }: Props) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const { id } = committed;
  const listed = useAlternatives(id);
  const designs = useAlternativeDesigns(id, alternatives);
  const take = (name: string, design: Design): void => {
    editor.commit(TEXTS.appliedName(name), takeArrangement(editor.session.state.committed, design));
    onClose();
  };
  const panes = [
    { key: 'now', name: TEXTS.asItIsNow, design: committed, note: undefined, take: undefined },
    ...alternatives.map((one, n): Pane => {
      const data = designs[n]?.data;
      const name = listed.data?.find((alternative) => alternative.id === one)?.name ?? TEXTS.alternative;
      // Colours are those worked in: arrangements are compared and not colours.
      const design = data && {
        ...data,
        colourways: inColoursOf(data, committed),
        ground: committed.ground,
        inks: allInks(data, committed),
      };
      return {
        key: one,
        name,
        design,
        note: designs[n]?.error?.message ?? TEXTS.fetching,
        take: design && (() => take(name, design)),
      };
    }),
  ];
  return <Panes label={TEXTS.alternativesSideBySide} note={TEXTS.dragPansAllOfThem} panes={panes} onClose={onClose} />;
}

function allInks(design: Design, now: Design): Design['inks'] {
  const known = new Set(now.inks.map(({ id }) => id));
  return [...now.inks, ...design.inks.filter(({ id }) => !known.has(id))];
}

function inColoursOf(design: Design, now: Design): Design['colourways'] {
  const own = colourwayOf(design).colours;
  return now.colourways.map((colourway) => ({ ...colourway, colours: { ...own, ...colourway.colours } }));
}
