// A thread begins without the loader that the server has, so this plain file brings it in first.
import { register } from 'tsx/esm/api';

register();
await import('./databaseWorker.ts');
