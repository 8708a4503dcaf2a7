import { spawn } from 'node:child_process';
import { installPackages, root } from './install.mjs';

/** npm run dev: the application through Vite, reloading as files change, on the demo's data. */

installPackages();
const { buildArt, buildServer } = await import('./build.mjs');
buildArt();
await buildServer();
const env = { ...process.env, DEMO: '1', NODE_ENV: 'development' };
const seed = spawn(process.execPath, ['build/seed.js'], { cwd: root, env, stdio: 'inherit' });
const seeded = await new Promise((resolve) => seed.on('exit', resolve));
if (seeded !== 0) process.exit(seeded ?? 1);
spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', '--dev'], { cwd: root, env, stdio: 'inherit' }).on(
  'exit',
  (code) => process.exit(code ?? 0),
);
