import { installPackages, root, run } from './install.mjs';

/** npm run backup -- FILE, npm run restore -- FILE. */
installPackages();
await (await import('./build.mjs')).build();
run(process.execPath, ['build/backup.js', ...process.argv.slice(2)], { cwd: root });
