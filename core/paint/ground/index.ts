export * from './paintGround.ts';
export * from './sceneGround.ts';
