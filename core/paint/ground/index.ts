export { type Mixing } from './mixture.ts';
export * from './paintGround.ts';
export * from './sceneGround.ts';
