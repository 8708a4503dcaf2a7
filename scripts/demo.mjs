import { spawn } from 'node:child_process';
import path from 'node:path';
import { installPackages, root, say } from './install.mjs';

/** npm run demo: installs, builds, seeds and serves the demo school. `-- --fresh` starts it over. */

const port = process.env.PORT ?? '4600';
const dataDir = path.resolve(root, process.env.DATA_DIR ?? 'data');
const env = { ...process.env, PORT: port, DATA_DIR: dataDir, DEMO: '1', NODE_ENV: 'production' };

installPackages();
await (await import('./build.mjs')).build();

const seed = spawn(process.execPath, ['build/seed.js', ...process.argv.slice(2)], { cwd: root, env, stdio: 'inherit' });
const seeded = await new Promise((resolve) => seed.on('exit', resolve));
if (seeded !== 0) process.exit(seeded ?? 1);

say('starting the server …');
const server = spawn(process.execPath, ['build/main.js'], { cwd: root, env, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

for (;;) {
  try {
    const answer = await fetch(`http://localhost:${port}/healthz`);
    if (answer.ok && (await answer.json()).ready) break;
  } catch {
    // not yet
  }
  await new Promise((resolve) => setTimeout(resolve, 200));
}
say(`the demo school is open: http://localhost:${port}   (stop with Ctrl+C)`);
