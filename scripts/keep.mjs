// `npm run backup -- --to FILE`, `npm run restore -- --from FILE --data DIR`, `npm run check`: what is kept, kept safe.
import { ensurePackages } from './ready.mjs';

ensurePackages({ forTests: false });
const { register } = await import('tsx/esm/api');
register();
const { runCommand } = await import('../server/backup/runCommand.ts');
await runCommand(process.argv[2], process.argv.slice(3));
