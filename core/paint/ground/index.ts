export * from './paintGround.ts';
export * from './sceneGround.ts';
export { deepWave } from './waveRows.ts';
