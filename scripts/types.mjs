// `npm run types`: checks the types of each layer.
import { runPackage } from './ready.mjs';
import { PROJECTS } from './projects.mjs';

for (const project of PROJECTS) runPackage('typescript-native', ['-p', project]);
