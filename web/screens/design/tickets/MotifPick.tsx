import { useEditor } from '../../../cloth/editorContext.ts';
import { MotifField, type MotifFieldProps } from '../../../ui/MotifField.tsx';

/** Picks one motif of the whole drawer for the design, which knows it from then on. */
export function MotifPick({ onPick, ...props }: MotifFieldProps) {
  const editor = useEditor();
  return (
    <MotifField
      {...props}
      onPick={(motif) => {
        editor.learnPicked(motif);
        onPick(motif);
      }}
    />
  );
}
