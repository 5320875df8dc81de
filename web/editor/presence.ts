import type { Since } from '../../contract/index.ts';
import { type Command, describe } from '../../core/document/index.ts';
import { Cell } from '../ui/store.ts';
import { Unreachable } from '../api/client.ts';
import type { Saver } from './saver.ts';

/** What is known of other windows that have the same design open. */
export interface OtherWindows {
  readonly windows: number;
  /** Whether something was done in one of them a short while ago. */
  readonly editing: boolean;
  /** What was changed there last, in a few words. */
  readonly last?: string;
}

/** How other windows are heard of. */
export interface PresenceTransport {
  since(revision: number, editing: boolean): Promise<Since>;
  leave(): void;
}

const NOBODY: OtherWindows = { windows: 0, editing: false };
const ASK_MS = 1500;
const ASK_HIDDEN_MS = 10_000;
/** So long after an edit a window counts as edited in, ms. */
const EDITING_MS = 20_000;

/**
 * Hears what other windows do to the same design and takes it up while nothing here waits to be saved; what does wait is
 * brought together by the saver, or kept apart.
 */
export class Presence {
  readonly others = new Cell<OtherWindows>(NOBODY);
  #timer: ReturnType<typeof setTimeout> | undefined;
  #open = false;
  #edited = -Infinity;
  #asking = false;
  /** Asked for while an answer was still awaited, which may have been given too early. */
  #again = false;
  #leave: (() => void) | undefined;

  constructor(
    readonly saver: Saver,
    readonly door: PresenceTransport,
    readonly isHidden: () => boolean = () => document.hidden,
  ) {}

  open(): void {
    this.#open = true;
    let { past } = this.saver.session.state;
    this.#leave = this.saver.session.subscribe(() => {
      const next = this.saver.session.state.past;
      if (next !== past && this.saver.session.state.pending.length > 0) this.#edited = performance.now();
      past = next;
    });
    void this.ask();
  }

  close(): void {
    this.#open = false;
    clearTimeout(this.#timer);
    this.#leave?.();
    this.door.leave();
  }

  /** Asks at once; otherwise it asks by itself every other second. */
  async ask(): Promise<void> {
    if (this.#asking) this.#again = true;
    if (this.#asking || !this.#open) return;
    this.#asking = true;
    clearTimeout(this.#timer);
    try {
      const since = await this.door.since(this.saver.revision, performance.now() - this.#edited < EDITING_MS);
      this.#tell(since);
      const foreign = await this.saver.takeUp(since);
      if (foreign.length > 0) this.#heard(foreign);
    } catch (error) {
      // The saver says that the server is away; nobody is heard of meanwhile.
      if (!(error instanceof Unreachable)) this.others.set(NOBODY);
    } finally {
      this.#asking = false;
      const wait = this.#again ? 0 : this.isHidden() ? ASK_HIDDEN_MS : ASK_MS;
      this.#again = false;
      if (this.#open) this.#timer = setTimeout(() => void this.ask(), wait);
    }
  }

  #heard(commands: readonly Command[]): void {
    this.others.set({ ...this.others.getState(), last: describe(commands) });
  }

  #tell({ others }: Since): void {
    const before = this.others.getState();
    const editing = others.some((one) => one.editing);
    if (others.length === before.windows && editing === before.editing) return;
    this.others.set(others.length === 0 ? NOBODY : { ...before, windows: others.length, editing });
  }
}
