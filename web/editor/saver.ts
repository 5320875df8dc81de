import type { Since, StoredDesign } from '../../contract/index.ts';
import type { Session } from './session.ts';
import { nanoid } from 'nanoid';
import { type Command, CommandError } from '../../core/document/index.ts';
import { ApiProblem, Unreachable } from '../api/client.ts';
import type { Batch, OutboxEntry } from './outbox.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

/** Whether what was refused may well be taken later, as it is: the server is starting, its disk is full, or the way to it is bad. */
export function isPassing(status: number): boolean {
  return status >= 500 || status === 408;
}

/** Whether the design is saved, and if not, why. */
export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly why: string }
  /** Refused for good: the edits since are kept as a design of their own. */
  | { readonly kind: 'parted'; readonly why: string };

/** How the saver reaches the server. */
export interface SaveTransport {
  send(save: string, revision: number, commands: readonly Command[], leaving: boolean): Promise<{ revision: number }>;
  /** What was saved by others since a revision. */
  since(revision: number): Promise<Since>;
  /** The design as the server has it, where that is not known step by step any more. */
  read(): Promise<StoredDesign>;
  /** The server holds another version: keeps ours beside it. Called once. */
  fork(why: string): Promise<void>;
  /** Keeps what is not acknowledged yet where it outlives the window; undefined once there is nothing. */
  store(unsaved: Unsaved | undefined): void;
}

/** What the server has not acknowledged. */
export type Unsaved = Omit<OutboxEntry, 'key' | 'design'>;

/** Edits in quick succession go together; together with the sending this stays well under a second. */
const GATHER_MS = 250;
const FIRST_RETRY_MS = 1000;
const LAST_RETRY_MS = 10_000;
/** Commands of one save; far above what a hand does, far below what the server refuses. */
const MOST_COMMANDS = 1000;

/** Sends a session's edits by themselves, in order, each once; goes on trying while the server is away. */
export class Saver {
  #state: SaveState = { kind: 'saved' };
  #revision: number;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #sending: Promise<void> | undefined;
  /** What is on its way, again and again under the same name until it is answered. */
  #batch: Batch | undefined;
  /** Under this name the rest goes; known beforehand, so that what is kept can be sent by another window and counts once. */
  #nextSave = nanoid();
  #kept: readonly Command[] | undefined;
  #retry = FIRST_RETRY_MS;
  readonly #listeners = new Set<() => void>();
  #leave: (() => void) | undefined;

  constructor(
    readonly session: Session,
    revision: number,
    readonly door: SaveTransport,
  ) {
    this.#revision = revision;
  }

  /** Begins to watch the session. */
  open(): void {
    this.#leave ??= this.session.subscribe(() => {
      this.#keep();
      this.#schedule(GATHER_MS);
    });
    this.#schedule(GATHER_MS);
  }

  /** Stops watching; what is being sent is still sent. */
  close(): void {
    clearTimeout(this.#timer);
    this.#timer = undefined;
    this.#leave?.();
    this.#leave = undefined;
  }

  readonly getState = (): SaveState => this.#state;

  get revision(): number {
    return this.#revision;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Saves what is unsaved now. @throws Error with the reason where it could not */
  async flush(): Promise<number> {
    while (this.session.state.pending.length > 0) {
      const before = this.getState();
      if (before.kind === 'parted') throw new Error(before.why);
      clearTimeout(this.#timer);
      this.#timer = undefined;
      await this.#send(false);
      const after = this.getState();
      if (after.kind === 'waiting' || after.kind === 'parted') throw new Error(after.why);
    }
    return this.#revision;
  }

  /**
   * Takes up what others have saved, unless something of ours is on its way, which meets theirs at the server first.
   *
   * @returns what they did
   */
  async takeUp({ revision, saves }: Pick<Since, 'revision' | 'saves'>): Promise<readonly Command[]> {
    if (
      revision <= this.#revision ||
      this.#sending ||
      this.session.state.pending.length > 0 ||
      this.#state.kind === 'parted'
    )
      return [];
    if (saves) {
      const foreign = saves.flatMap(({ commands }) => commands);
      try {
        this.session.follow(foreign);
        this.#revision = revision;
        return foreign;
      } catch (error) {
        // What does not fit on what is here is read whole instead.
        if (!(error instanceof CommandError)) throw error;
      }
    }
    const opened = await this.door.read();
    // Something may have been done here while it was read.
    if (this.#sending || this.session.state.pending.length > 0 || opened.revision <= this.#revision) return [];
    this.session.replace(opened.design);
    this.#revision = opened.revision;
    return [];
  }

  /** After a refusal: takes up what others have saved under what is unsent here, and says whether both go together. */
  async #meet(): Promise<boolean> {
    const { revision, saves } = await this.door.since(this.#revision);
    if (!saves || revision === this.#revision) return false;
    try {
      this.session.follow(saves.flatMap(({ commands }) => commands));
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      return false;
    }
    this.#revision = revision;
    return true;
  }

  /** The window is being closed: sends what is left without waiting for an answer. */
  leave(): void {
    if (this.session.state.pending.length > 0) void this.#send(true);
  }

  #schedule(delay: number): void {
    if (
      !this.#leave ||
      this.session.state.pending.length === 0 ||
      this.#timer !== undefined ||
      this.#state.kind === 'parted'
    )
      return;
    if (this.#state.kind === 'saved') this.#set({ kind: 'saving' });
    this.#timer = setTimeout(() => {
      this.#timer = undefined;
      void this.#send(false);
    }, delay);
  }

  #send(leaving: boolean): Promise<void> {
    this.#sending ??= this.#sendOnce(leaving).finally(() => {
      this.#sending = undefined;
      this.#schedule(this.#state.kind === 'waiting' ? this.#retry : GATHER_MS);
    });
    return this.#sending;
  }

  async #sendOnce(leaving: boolean): Promise<void> {
    if (!this.#batch) {
      // An empty batch would never be answered, and nothing would go after it.
      if (this.session.state.pending.length === 0) return;
      this.#batch = { save: this.#nextSave, commands: this.session.state.pending.slice(0, MOST_COMMANDS) };
      this.#nextSave = nanoid();
    }
    const { save, commands } = this.#batch;
    if (this.#state.kind !== 'waiting') this.#set({ kind: 'saving' });
    try {
      const { revision } = await this.door.send(save, this.#revision, commands, leaving);
      this.#revision = revision;
      this.#batch = undefined;
      this.#retry = FIRST_RETRY_MS;
      this.session.acknowledge(commands.length);
      // Also where the window has moved on and nothing listens any more.
      this.#keep();
      this.#set(this.session.state.pending.length > 0 ? { kind: 'saving' } : { kind: 'saved' });
    } catch (error) {
      await this.#refused(error);
    }
  }

  async #refused(error: unknown): Promise<void> {
    let reason = error;
    if (error instanceof ApiProblem && error.status === 409) {
      try {
        // Edits that have nothing to do with each other go together; the same batch is sent once more.
        if (await this.#meet()) return;
      } catch (other) {
        reason = other;
      }
    }
    const why = messageOf(reason);
    if (reason instanceof Unreachable || !(reason instanceof ApiProblem) || isPassing(reason.status)) {
      this.#retry = Math.min(LAST_RETRY_MS, this.#retry * 1.6);
      this.#set({ kind: 'waiting', why });
      return;
    }
    this.#set({ kind: 'parted', why });
    this.#part(why);
  }

  #keep(): void {
    const { pending, committed } = this.session.state;
    if (pending === this.#kept) return;
    this.#kept = pending;
    if (pending.length === 0 || this.#state.kind === 'parted') {
      this.door.store(undefined);
      return;
    }
    const onTheWay = this.#batch ? [this.#batch] : [];
    const rest = { save: this.#nextSave, commands: pending.slice(this.#batch?.commands.length ?? 0) };
    this.door.store({ revision: this.#revision, batches: [...onTheWay, rest], document: committed });
  }

  /** Keeps our version beside the other, trying until it is kept. */
  #part(why: string): void {
    const parted = this.door.fork(why).then(() => this.door.store(undefined));
    parted.catch((error: unknown) => {
      this.#set({
        kind: 'parted',
        why: TEXTS.whyKeepingYourVersionBeside(why, messageOf(error)),
      });
      setTimeout(() => this.#part(why), LAST_RETRY_MS);
    });
  }

  #set(state: SaveState): void {
    this.#state = state;
    for (const listener of this.#listeners) listener();
  }
}
