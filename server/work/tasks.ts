import type { StoredMotif } from '../../contract/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import type { Motif, View } from '../../core/motif/index.ts';
import type { Recipe, ScanRecipe } from '../../core/recipe/index.ts';
import type { FrameSeams } from '../../core/tile/index.ts';
import type { OpenedCollection } from '../collections/openedCollection.ts';
import type { OpenedPack } from '../packs/openedPack.ts';
import type { ReplacedFont } from '../../core/svg/index.ts';
import type { PicturesTask } from '../motifs/picturesTask.ts';
import type { PaintOutcome, PaintTask, VectorOutcome, VectorTask } from '../paint/paintTasks.ts';
import type { PlatesOutcome, PlatesTask } from '../plates/platesTask.ts';
import type { StrikeOffTask } from '../printHouse/strikeOffTask.ts';
import type { SeamsTask } from '../scan/seamsTask.ts';
import type { SheetTask } from '../sheets/sheetTask.ts';
import type { AnyTryOnTask, TryOnOutcomes } from '../tryon/tryOnTasks.ts';
import type { CheckOutcome, CheckStudioTask, ReadBackTask } from './checkStudioTask.ts';

/** Turns an uploaded file into artwork. */
export interface ReadTask {
  readonly kind: 'read';
  readonly name: string;
  /** Where it lies. */
  readonly file: string;
  /** Whether it is one of pixels, which takes more memory the larger it is. */
  readonly isPicture?: boolean;
  /** The studio's own fonts, for the words in it. */
  readonly fonts: readonly StudioFont[];
  readonly blobs: string;
}

/** Draws a file of vectors as pictures for the workshop: one tile of what an SVG repeats, or the pages of a PDF. */
export interface FlattenTask extends Omit<ReadTask, 'kind'> {
  readonly kind: 'flatten';
}

export interface FlattenOutcome {
  /** Content addresses, page after page; at least one. */
  readonly pictures: readonly string[];
}

/** A font of the studio: its family, and the address of its file. */
export interface StudioFont {
  readonly family: string;
  readonly file: string;
}

/** Reads a font's file. */
export interface FontTask {
  readonly kind: 'font';
  readonly name: string;
  /** Where it lies. */
  readonly file: string;
  readonly blobs: string;
}

/** What a font says of itself, and the address of its file in the form that drawings are set with. */
export interface FontOutcome extends StudioFont {
  readonly style: string;
}

/** Artwork that was made and kept. */
export interface Drawing {
  /** Content addresses of the artwork and of a small picture of it. */
  readonly artwork: string;
  readonly thumbnail: string;
  readonly view: View;
  readonly inks: readonly Hex[];
  /** Natural width in mm. */
  readonly width: number;
}

/** What was found in an uploaded file. */
export interface ReadOutcome extends Drawing {
  readonly source: string;
  /** Short sentences about what is not as it was in the file. */
  readonly notes: readonly string[];
  /** Fonts that are not there, which others stand in for. */
  readonly fonts: readonly ReplacedFont[];
}

/** Makes the artwork that a recipe describes. */
export interface DeriveTask {
  readonly kind: 'derive';
  readonly recipe: Recipe;
  /** The motifs that the recipe is made of. */
  readonly motifs: readonly Motif[];
  /** Content address of artwork that is drawn by this recipe already, but for its palette. */
  readonly drawn?: string | undefined;
  readonly blobs: string;
}

/** Cleans a sheet and cuts it into its drawings. */
export interface CutTask {
  readonly kind: 'cut';
  readonly recipe: ScanRecipe;
  readonly blobs: string;
}

/** A drawing of a cut sheet, with the recipe that leads to it alone. */
export interface CutDrawing {
  readonly recipe: ScanRecipe;
  readonly drawing: Drawing;
  /** Where its middle lies on the cleaned sheet, mm from the upper left corner. */
  readonly middle: Point;
}

/** What a sheet was cut into. */
export interface CutOutcome {
  readonly drawings: readonly CutDrawing[];
  /** The size of the cleaned sheet, mm. */
  readonly page: { readonly width: number; readonly height: number };
}

/** Has the simulated scanner read a sheet. */
export interface ScanTask {
  readonly kind: 'scan';
  readonly original: string;
  readonly dpi: number;
  readonly blobs: string;
}

/** A picture that can be worked on, with a smaller one for the screen. */
export interface ScannedPicture {
  readonly picture: string;
  readonly preview: string;
  readonly width: number;
  readonly height: number;
  readonly dpi: number;
}

/** Keeps a picture, with the small one that the workshop shows of it. */
export interface PreviewTask {
  readonly kind: 'preview';
  readonly name: string;
  /** Where it lies, be it kept already. */
  readonly file: string;
  readonly blobs: string;
}

/** Makes a kept picture small, for a card. */
export interface ShrinkTask {
  readonly kind: 'shrink';
  readonly file: string;
}

/** Writes a collection into one file. */
export interface PackTask {
  readonly kind: 'pack';
  /** Where the ZIP goes. */
  readonly file: string;
  readonly name: string;
  /** Each after those that it is made of. */
  readonly motifs: readonly StoredMotif[];
  readonly blobs: string;
}

/** Reads a collection's file and makes its motifs. */
export interface OpenCollectionTask {
  readonly kind: 'open-collection';
  readonly file: string;
  readonly fonts: readonly StudioFont[];
  readonly blobs: string;
}

/** Reads a pack's file and keeps the files in it. */
export interface UnpackTask {
  readonly kind: 'unpack';
  readonly file: string;
  readonly blobs: string;
}

/** Reads a large piece of JSON that was sent and holds it against the contract. */
export type CheckTask = {
  readonly kind: 'check';
  /** The route's name in the contract. */
  readonly route: string;
} & ({ readonly json: Uint8Array } | { readonly file: string });

/** Opens a large document. */
interface OpenTask {
  readonly kind: 'open';
  readonly document: unknown;
}

/** Packs parts of a folder into one file. */
interface ArchiveTask {
  readonly kind: 'archive';
  readonly folder: string;
  readonly file: string;
  readonly parts: readonly string[];
}

/** Compares two pictures of tiles, by their addresses. */
export interface CompareTask {
  readonly kind: 'compare';
  readonly from: string;
  readonly to: string;
  readonly blobs: string;
}

export interface CompareOutcome {
  /** The share of pixels that differ; null where the tiles are of different sizes. */
  readonly changed: number | null;
  /** The address of a picture of where they differ. */
  readonly picture: string | null;
}

export type { CheckOutcome, CheckStudioTask, Fault } from './checkStudioTask.ts';

export type Task =
  | PaintTask
  | VectorTask
  | ReadTask
  | DeriveTask
  | CutTask
  | ScanTask
  | PreviewTask
  | ShrinkTask
  | FlattenTask
  | SeamsTask
  | PackTask
  | UnpackTask
  | OpenCollectionTask
  | FontTask
  | CheckTask
  | OpenTask
  | ArchiveTask
  | CompareTask
  | PicturesTask
  | StrikeOffTask
  | CheckStudioTask
  | ReadBackTask
  | PlatesTask
  | SheetTask
  | AnyTryOnTask;

/** What each kind of task comes to. */
interface Outcomes extends TryOnOutcomes {
  paint: PaintOutcome;
  vector: VectorOutcome;
  read: ReadOutcome;
  derive: Drawing;
  cut: CutOutcome;
  scan: ScannedPicture;
  preview: ScannedPicture;
  /** A WebP. */
  shrink: Uint8Array;
  flatten: FlattenOutcome;
  seams: FrameSeams;
  /** The file is there. */
  pack: true;
  unpack: OpenedPack;
  'open-collection': OpenedCollection;
  font: FontOutcome;
  /** Its value. */
  check: unknown;
  open: Design;
  archive: { readonly bytes: number };
  compare: CompareOutcome;
  /** Addresses. */
  pictures: readonly string[];
  /** Both pictures are there. */
  'strike-off': true;
  'check-studio': CheckOutcome;
  'read-back': CheckOutcome;
  plates: PlatesOutcome;
  /** The file is there. */
  sheet: true;
}
export type Outcome<T extends Task> = Outcomes[T['kind']];

/** What the pool sends to a worker. */
export interface Order {
  readonly id: number;
  readonly task: Task;
  /** The folder in which what it keeps lies until it is done. */
  readonly stage?: string | undefined;
}

/** What a worker sends back. */
export type Answer =
  | { readonly id: number; readonly type: 'began' }
  | { readonly id: number; readonly type: 'progress'; readonly share: number }
  | { readonly id: number; readonly type: 'done'; readonly outcome: Outcome<Task> }
  | {
      readonly id: number;
      readonly type: 'failed';
      readonly message: string;
      readonly problem?: { status: number; title: string };
    };

/** What a task is given to report with. */
export interface TaskContext {
  progress(share: number): void;
}
