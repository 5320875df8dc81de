// `npm run types`: each layer against its own library, so that the compiler keeps the core clean.
import { runPackage } from './ready.mjs';

for (const project of ['core', 'web', '.']) runPackage('typescript', ['-p', project]);
