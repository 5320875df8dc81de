import type { DesignMotif } from '../../contract/index.ts';
import type { Command, Design, Layer } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import type { Cell } from '../ui/store.ts';
import type { InsideBundle } from './editorState.ts';
import type { Session, SideEffect } from './session.ts';
import type { Tossing } from './tossRun.ts';

/** A placement to be, and the command that lays it. */
interface Laid {
  readonly id: string;
  readonly command: Command;
}

/** What drawing by hand needs of the editor. */
export interface DrawingHost {
  readonly session: Session;
  readonly design: Design;
  readonly lattice: Lattice;
  readonly inside?: InsideBundle | undefined;
  readonly motifs: Cell<readonly DesignMotif[]>;
  readonly refusal: Cell<string | undefined>;
  /** The layer that new motifs go into. */
  readonly layer: Layer | undefined;
  readonly tossing: Tossing;
  motif(id: string): DesignMotif | undefined;
  learnPicked(motif: DesignMotif): void;
  placeCommand(motif: DesignMotif, at: Point): Laid | undefined;
  placeBelowCommand(motif: DesignMotif, at: Point): Laid | undefined;
  select(ids: readonly string[]): void;
  commit(label: string, command: Command, sideEffect?: SideEffect): boolean;
}
