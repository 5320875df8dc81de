// `npm run dev`: Vite with the API behind it; both follow changes of the sources.
import { spawn } from 'node:child_process';
import { binary, ensurePackages, root } from './ready.mjs';

ensurePackages({ forTests: true });
const children = [
  spawn(
    process.execPath,
    [binary('tsx'), 'watch', '--clear-screen=false', 'scripts/devServer.ts', ...process.argv.slice(2)],
    { cwd: root, stdio: 'inherit' },
  ),
  spawn(process.execPath, [binary('vite')], { cwd: root, stdio: 'inherit' }),
];
const stop = () => children.forEach((child) => child.kill('SIGTERM'));
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
for (const child of children) child.on('exit', stop);
