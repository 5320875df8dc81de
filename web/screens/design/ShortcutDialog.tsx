import { Dialog } from '../../ui/Dialog.tsx';
import { POINTER_HINTS, SHORTCUTS } from './shortcuts.ts';
import { TEXTS } from './texts.ts';

const GROUPS = [...new Set(SHORTCUTS.map(({ group }) => group))];

/** All keys, from the one table that makes them work. */
export function ShortcutDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog title={TEXTS.keyboardShortcuts} open={open} onClose={onClose} wide>
      <div className="gap-8 sm:columns-2">
        {GROUPS.map((group) => (
          <List key={group} title={group} rows={SHORTCUTS.filter((shortcut) => shortcut.group === group)} />
        ))}
        <List title={TEXTS.pointer} rows={POINTER_HINTS} />
      </div>
    </Dialog>
  );
}

function List({ title, rows }: { readonly title: string; readonly rows: readonly { keys: string; does: string }[] }) {
  return (
    <section className="mb-5 break-inside-avoid">
      <h3 className="font-name font-semibold">{title}</h3>
      <dl className="mt-1.5 grid gap-1.5 text-sm">
        {rows.map(({ keys, does }) => (
          <div key={keys} className="grid grid-cols-[8rem_1fr] gap-2">
            <dt className="font-medium">{keys}</dt>
            <dd className="text-graphite">{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
