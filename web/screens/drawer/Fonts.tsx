import { X } from 'lucide-react';
import { useFontDeletion, useFontImport, useFonts } from '../../api/fonts.ts';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { FontButton } from './FontButton.tsx';
import { TEXTS } from './texts.ts';

/** The studio's own fonts, which words in imported drawings are set in. */
export function Fonts() {
  const { data: fonts = [] } = useFonts();
  const adding = useFontImport();
  const deletion = useFontDeletion();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const take = (id: string, name: string): void =>
    deletion.mutate(
      { id, deleted: true },
      {
        onSuccess: () =>
          notify({
            text: TEXTS.fontTakenOut(name),
            action: {
              label: TEXTS.undo,
              run: () => deletion.mutate({ id, deleted: false }, { onError: notifyProblem }),
            },
          }),
        onError: notifyProblem,
      },
    );
  return (
    <Fold name={TEXTS.fonts} {...(fonts.length > 0 && { note: String(fonts.length) })}>
      <p className="text-xs text-graphite">{TEXTS.wordsInDrawingsAreSet}</p>
      {fonts.length > 0 && (
        <ul aria-label={TEXTS.fonts} className="grid">
          {fonts.map(({ id, family, style }) => (
            <li key={id} className="flex items-center gap-1 text-sm">
              <span className="min-w-0 grow truncate" title={`${family} ${style}`}>
                {family} <span className="text-xs text-graphite">{style}</span>
              </span>
              <Button look="quiet" label={TEXTS.takeOutFont(`${family} ${style}`)} onClick={() => take(id, family)}>
                <X size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div>
        <FontButton label={TEXTS.addAFont} onFile={(file) => adding.mutate(file, { onError: notifyProblem })} />
      </div>
    </Fold>
  );
}
