import type { SnapLine } from '../../../core/arrange/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import type { Editor } from '../../editor/editor.ts';
import type { Cell } from '../../ui/store.ts';
import type { ClothView } from '../clothView.ts';

/** The numbers shown at the pointer while something is dragged. */
export interface DragReadout {
  readonly at: Point;
  /** A line, or several. */
  readonly text: string;
}

/** What a gesture works on, and where it shows what it does. */
export interface GestureContext {
  readonly editor: Editor;
  readonly view: ClothView;
  readonly note: Cell<DragReadout | undefined>;
  readonly panning: Cell<boolean>;
  /** The box or lasso being drawn around motifs, corners in CSS pixels. */
  readonly lasso: Cell<readonly Point[]>;
  /** The open line being drawn, CSS pixels. */
  readonly line: Cell<readonly Point[]>;
  /** What has caught the motifs that are being moved. */
  readonly snapLines: Cell<readonly SnapLine[]>;
  /** Where an event is, CSS pixels of the cloth. */
  readonly local: (event: { clientX: number; clientY: number }) => Point;
}
