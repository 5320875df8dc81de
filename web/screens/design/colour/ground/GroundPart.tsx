import { changeGroundKind, GROUND_KINDS, type GroundKind } from '../../../../../core/colourway/index.ts';
import { inksOfGround } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useStore } from '../../../../ui/store.ts';
import { freeInk } from '../freeInk.ts';
import { InkRow } from '../InkRow.tsx';
import { CheckFields } from './CheckFields.tsx';
import { MotifGround } from './MotifGround.tsx';
import { TEXTS } from './texts.ts';
import { TextureFields } from './TextureFields.tsx';
import { useGroundEdit } from './useGroundEdit.ts';
import { WaveFields } from './WaveFields.tsx';

interface Props {
  /** Share of the cloth that an ink covers, percent, where it is known. */
  readonly shareOf: (ink: string) => number | undefined;
}

/** What lies behind the motifs: its kind, its inks, and what else there is to choose. */
export function GroundPart({ shareOf }: Props) {
  const editor = useEditor();
  const ground = useStore(editor.session, ({ design }) => design.ground);
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const opened = useStore(editor.ink);
  const { show: change, settle } = useGroundEdit();
  const printed = inksOfGround(ground);
  const choose = (kind: GroundKind): void => {
    settle();
    const design = editor.design;
    const command = changeGroundKind(design, kind, (colour) => freeInk(design, colour));
    if (command) editor.commit(TEXTS.changedTheGround, command);
  };
  return (
    <section aria-label={TEXTS.ground} className="grid grid-cols-1 gap-2">
      <h3 className="text-xs text-graphite">{TEXTS.ground}</h3>
      <select
        aria-label={TEXTS.kind}
        value={ground.kind}
        disabled={inks.length === 0}
        // The options are the kinds.
        onChange={(event) => choose(event.target.value as GroundKind)}
        className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
      >
        {GROUND_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {TEXTS.kindName(kind)}
          </option>
        ))}
      </select>
      {printed.map((id) => {
        const ink = inks.find((one) => one.id === id);
        return ink && <InkRow key={id} ink={ink} open={opened === id} share={shareOf(id)} />;
      })}
      {ground.kind === 'none' && <p className="text-xs text-graphite">{TEXTS.exportedFilesAreTransparent}</p>}
      {(ground.kind === 'gradient' || ground.kind === 'stripes') && <WaveFields ground={ground} onChange={change} />}
      {ground.kind === 'checks' && <CheckFields ground={ground} onChange={change} />}
      {ground.kind === 'texture' && <TextureFields ground={ground} onChange={change} />}
      <MotifGround />
    </section>
  );
}
