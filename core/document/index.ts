/** The design: its data, its commands, and how earlier versions are opened. */
export * from './arrangementRecipes.ts';
export * from './blend.ts';
export * from './checkLimits.ts';
export * from './command.ts';
export { CommandError } from './commands/commandKind.ts';
export * from './design.ts';
export * from './faultOf.ts';
export * from './ground.ts';
export * from './guide.ts';
export * from './ink.ts';
export * from './inkResolver.ts';
export * from './layer.ts';
export * from './limits.ts';
export * from './openDesign.ts';
export * from './placeMotif.ts';
export * from './placement.ts';
export * from './swatch.ts';
export * from './withSymmetry.ts';
