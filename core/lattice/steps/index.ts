import { brick } from './brick.ts';
import { halfDrop } from './halfDrop.ts';
import { square } from './square.ts';
import type { StepKind, StepKindDefinition } from './stepKind.ts';

/** Every way in which cells follow each other. */
export const STEP_KINDS: Readonly<Record<StepKind, StepKindDefinition>> = { square, 'half-drop': halfDrop, brick };
