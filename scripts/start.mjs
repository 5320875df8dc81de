// `npm start`: installs and builds what is missing, then serves. The server runs in this process, so that it gets its signals.
import { ensureBuilt, ensurePackages } from './ready.mjs';

ensurePackages({ forTests: false });
ensureBuilt();
await import('./serve.mjs');
