import { installPackages, root, run } from './install.mjs';

/** npm run bench [name …] [--json]: our figures against their peers, in one run. */
installPackages();
await (await import('./build.mjs')).build();
run(process.execPath, ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)], { cwd: root });
