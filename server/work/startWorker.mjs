// A worker thread begins without the loader that the process has, so this plain file brings it in first.
import { register } from 'tsx/esm/api';

register();
await import('./worker.ts');
