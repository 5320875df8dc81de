export { messageOf } from './messageOf.ts';
