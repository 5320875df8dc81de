import { Cell } from '../ui/store.ts';
import { apply, type Command, CommandError, conflicts, type Design, inverse } from '../../core/document/index.ts';
import { TEXTS } from './texts.ts';

/** What an edit does beside the document, such as to a motif, both ways. */
export interface SideEffect {
  /** @throws Error, and nothing is changed */
  undo(): Promise<unknown>;
  /** @throws Error, and nothing is changed */
  redo(): Promise<unknown>;
}

/** A command that changes nothing: for edits that are a side effect alone. */
export const NO_COMMAND: Command = { type: 'all', commands: [] };

/** A done edit: its name for the history, and both directions. */
export interface Edit {
  readonly label: string;
  readonly forward: Command;
  readonly back: Command;
  /** The retelling that it began with, which stays when it is undone. */
  readonly renormalised?: Command;
  readonly sideEffect?: SideEffect;
}

/** What an editing session holds at one moment; a new object whenever anything changes. */
export interface SessionState {
  /** With the preview applied: what the cloth shows. */
  readonly design: Design;
  /** Without any preview: what is saved. */
  readonly committed: Design;
  readonly past: readonly Edit[];
  readonly future: readonly Edit[];
  /** As the server has it: without what is unsent. */
  readonly saved: Design;
  /** Commands not yet handed to the server, oldest first. */
  readonly pending: readonly Command[];
}

/**
 * One design being edited: previews while the hand moves, one command when it lets go, undo and redo of each, and the
 * list of what still has to be saved. Knows nothing of screens or servers; both listen.
 */
export class Session {
  readonly #cell: Cell<SessionState>;
  /** The same cloth told otherwise: goes along with the next edit and is nothing by itself. */
  #renormalised: { readonly command: Command; readonly before: Design } | undefined;

  constructor(design: Design) {
    this.#cell = new Cell<SessionState>({
      design,
      committed: design,
      saved: design,
      past: [],
      future: [],
      pending: [],
    });
  }

  get state(): SessionState {
    return this.#cell.getState();
  }

  readonly getState = (): SessionState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => this.#cell.subscribe(listener);

  /**
   * Shows the design as it would be; nothing is recorded. Undefined takes the preview away, and so does an edit that cannot be done:
   * why it cannot is said when it is.
   */
  preview(command: Command | undefined): void {
    const { committed } = this.state;
    let design = committed;
    try {
      if (command) design = apply(committed, command);
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
    }
    this.#set({ ...this.state, design });
  }

  /**
   * Tells the same cloth otherwise, as when a motif is stored where a reflection of it lies. Neither saved nor undone by
   * itself, but together with the edit that follows.
   */
  renormalise(command: Command): void {
    const { committed } = this.state;
    const told = this.#renormalised;
    this.#renormalised = {
      command: told ? { type: 'all', commands: [told.command, command] } : command,
      before: told?.before ?? committed,
    };
    const design = apply(committed, command);
    this.#set({ ...this.state, design, committed: design });
  }

  /** Does the edit: it can be undone as one step, and waits to be saved. @throws CommandError, with nothing changed */
  commit(label: string, command: Command, sideEffect?: SideEffect): Edit {
    const { committed, past, pending } = this.state;
    const told = this.#renormalised;
    const design = apply(committed, command);
    const forward: Command = told ? { type: 'all', commands: [told.command, command] } : command;
    const edit: Edit = {
      label,
      forward,
      back: inverse(told?.before ?? committed, forward),
      ...(told && { renormalised: told.command }),
      ...(sideEffect && { sideEffect }),
    };
    this.#renormalised = undefined;
    this.#set({
      ...this.state,
      design,
      committed: design,
      past: [...past, edit],
      future: [],
      pending: queued(pending, forward),
    });
    return edit;
  }

  /** Adds to the last edit what follows from it, so that both are one step. @throws CommandError, with nothing changed */
  amend(command: Command): void {
    const { committed, past, pending } = this.state;
    const last = past.at(-1);
    if (!last) throw new Error('there is no edit to add to');
    const design = apply(committed, command);
    const edit: Edit = {
      ...last,
      forward: { type: 'all', commands: [last.forward, command] },
      back: { type: 'all', commands: [inverse(committed, command), last.back] },
    };
    this.#set({
      ...this.state,
      design,
      committed: design,
      past: [...past.slice(0, -1), edit],
      pending: queued(pending, command),
    });
  }

  /** Takes an edit whose side effect failed out of the history. */
  withdraw(edit: Edit): void {
    const { past, future } = this.state;
    const isOther = ({ sideEffect }: Edit): boolean => sideEffect !== edit.sideEffect;
    this.#set({ ...this.state, past: past.filter(isOther), future: future.filter(isOther) });
  }

  undo(): Edit | undefined {
    const { past, future, pending } = this.state;
    const edit = past.at(-1);
    if (!edit) return undefined;
    const before = apply(this.#beforeRenormalising, edit.back);
    this.#renormalised = edit.renormalised && { command: edit.renormalised, before };
    const design = edit.renormalised ? apply(before, edit.renormalised) : before;
    this.#set({
      ...this.state,
      design,
      committed: design,
      past: past.slice(0, -1),
      future: [edit, ...future],
      pending: queued(pending, edit.back),
    });
    return edit;
  }

  redo(): Edit | undefined {
    const { past, future, pending } = this.state;
    const [edit, ...rest] = future;
    if (!edit) return undefined;
    const design = apply(this.#beforeRenormalising, edit.forward);
    this.#renormalised = undefined;
    this.#set({
      ...this.state,
      design,
      committed: design,
      past: [...past, edit],
      future: rest,
      pending: queued(pending, edit.forward),
    });
    return edit;
  }

  /** The first `count` unsent commands have been saved. */
  acknowledge(count: number): void {
    const { saved, pending } = this.state;
    const rest = pending.slice(count);
    this.#set({
      ...this.state,
      pending: rest,
      saved: rest.length === 0 ? this.#beforeRenormalising : pending.slice(0, count).reduce(apply, saved),
    });
  }

  /**
   * Takes up what was done elsewhere since the last save, under what is unsent here. Of the history only that stays
   * which has nothing to do with it.
   *
   * @throws CommandError where both changed the same, or ours no longer fits; nothing is changed then
   */
  follow(foreign: readonly Command[]): void {
    const { saved, past, pending } = this.state;
    if (conflicts(foreign, pending, false)) throw new CommandError(TEXTS.bothChangedTheSame);
    const base = foreign.reduce(apply, saved);
    const committed = pending.reduce(apply, base);
    this.#renormalised = undefined;
    const last = past.findLastIndex(({ forward }) => conflicts(foreign, [forward], true));
    this.#set({ design: committed, committed, saved: base, past: past.slice(last + 1), future: [], pending });
  }

  /** Begins anew with the design as it is elsewhere, where nothing is unsent. */
  replace(design: Design): void {
    this.#renormalised = undefined;
    this.#set({ design, committed: design, saved: design, past: [], future: [], pending: [] });
  }

  /** What is committed, as it was told before. */
  get #beforeRenormalising(): Design {
    return this.#renormalised?.before ?? this.state.committed;
  }

  #set(state: SessionState): void {
    this.#cell.set(state);
  }
}

/** What changes nothing is not saved. */
function queued(pending: readonly Command[], command: Command): readonly Command[] {
  const isNothing = command.type === 'all' && command.commands.length === 0;
  return isNothing ? pending : [...pending, command];
}
