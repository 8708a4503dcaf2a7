import { spawn } from 'node:child_process';
import { installPackages, root } from './install.mjs';

/** npm start: builds what is missing and serves a real school, without the doors of the demo. */

installPackages();
await (await import('./build.mjs')).build();
const env = { ...process.env, DEMO: '', NODE_ENV: 'production' };
const server = spawn(process.execPath, ['build/main.js'], { cwd: root, env, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
