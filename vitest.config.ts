import { defineConfig } from 'vitest/config';

/** These tests put stand-ins in the place of what browsers have: each of their files has modules of its own. */
const app = { name: 'app', include: ['{app,workers}/**/*.test.{ts,tsx}'] };
/** Most of the time of the others would go into loading the same modules again. */
const rest = {
  name: 'core and server',
  include: ['{core,server,art,demo,scripts}/**/*.test.ts'],
  isolate: false,
};

export default defineConfig({
  test: {
    environment: 'node',
    testTimeout: 90_000,
    hookTimeout: 240_000,
    pool: 'forks',
    maxWorkers: 2,
    projects: [
      { extends: true, test: app },
      { extends: true, test: rest },
    ],
  },
});
