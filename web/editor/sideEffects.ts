import { messageOf } from '../../core/problem/index.ts';
import type { Cell } from '../ui/store.ts';
import type { Edit, Session, SideEffect } from './session.ts';

/** Runs what edits do beside the document, one after another: the next one builds on what the last one made. */
export class SideEffects {
  readonly #session: Session;
  readonly #refusal: Cell<string | undefined>;
  #last: Promise<unknown> = Promise.resolve();

  /** @param refusal is told why something could not be undone or redone */
  constructor(session: Session, refusal: Cell<string | undefined>) {
    this.#session = session;
    this.#refusal = refusal;
  }

  /** Runs something in its turn. @throws what it fails with */
  run(act: () => Promise<unknown>): Promise<unknown> {
    const turn = this.#last.then(act);
    // Whoever asked for it hears of it; those that follow have their turn all the same.
    this.#last = turn.catch(() => undefined);
    return turn;
  }

  /** Does what undoing or redoing an edit does beside the document; an edit of which that fails leaves the history. */
  follow(edit: Edit | undefined, way: keyof SideEffect): void {
    const effect = edit?.sideEffect;
    if (!effect) return;
    this.run(() => effect[way]()).catch((error: unknown) => {
      this.#session.withdraw(edit);
      this.#refusal.set(messageOf(error));
    });
  }
}
