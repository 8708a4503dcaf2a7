import type { Figure } from './measure';

/** npm run bench [name …] [--json] */
const ALL = {
  shaping: () => import('./shaping'),
  output: () => import('./output'),
  autosave: () => import('./autosave'),
  handouts: () => import('./handouts'),
  load: () => import('./load'),
  fuzz: () => import('./fuzz'),
  placing: () => import('./placing'),
  makers: () => import('./makers'),
  cloud: () => import('./cloud'),
  browser: () => import('./browser'),
  reading: () => import('./reading'),
  spread: () => import('./spread'),
  finding: () => import('./finding'),
  pictures: () => import('./pictures'),
} satisfies Record<string, () => Promise<{ run: () => Promise<Figure[]> }>>;

const asked = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const json = process.argv.includes('--json');
const unknown = asked.find((name) => !(name in ALL));
if (unknown) {
  console.error(`There is no measurement called “${unknown}”. There are: ${Object.keys(ALL).join(', ')}.`);
  process.exit(1);
}
const digits = (n: number) => (n < 10 ? n.toFixed(2) : n.toFixed(0));
if (!json)
  console.log(
    `${'what'.padEnd(66)}${'ours'.padStart(10)}${'peer'.padStart(10)}${'ratio'.padStart(8)}${'goal'.padStart(7)}  holds`,
  );
for (const name of asked.length > 0 ? asked : Object.keys(ALL)) {
  const { run } = await ALL[name as keyof typeof ALL]();
  for (const f of await run()) {
    if (json)
      console.log(JSON.stringify({ name: f.name, ratio: Number(f.ratio.toFixed(3)), goal: f.goal, holds: f.holds }));
    else
      console.log(
        `${f.name.padEnd(66)}${`${digits(f.ours)} ${f.unit}`.padStart(10)}${`${digits(f.peer)} ${f.unit}`.padStart(10)}${f.ratio.toFixed(2).padStart(8)}${String(f.goal).padStart(7)}  ${f.holds ? 'yes' : 'NO'}`,
      );
  }
}
process.exit(0);
