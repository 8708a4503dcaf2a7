import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { z } from 'zod';
import { expect, test } from '@playwright/test';
import { projectRoot } from '../../server/process/place';

/** How much script a page loads before it can be used. What is fetched later, when the page is idle, does not count. */

const Entry = z.object({ module: z.string(), imports: z.array(z.string()).optional() });
const Manifest = z.object({ entry: Entry, routes: z.record(z.string(), Entry) });

const place = path.join(projectRoot(), 'build/client');
const manifest = () => {
  const name = readdirSync(path.join(place, 'assets')).find((file) => file.startsWith('manifest-'))!;
  const text = readFileSync(path.join(place, 'assets', name), 'utf8');
  return Manifest.parse(JSON.parse(text.slice(text.indexOf('{'), text.lastIndexOf('}') + 1)));
};

/** The limit for each page's compressed script, in kilobytes of 1,024 bytes. */
const MOST = { sheet: 452, copy: 450, 'hand-out': 370, reading: 325, desk: 240, classes: 262, tray: 225, front: 215 };

for (const [name, most] of Object.entries(MOST))
  test(`the ${name} page loads less than ${most} KB of compressed script`, () => {
    const { entry, routes } = manifest();
    const parts = [entry, routes.root, routes[`routes/${name}`]];
    const files = new Set(parts.flatMap(({ module, imports = [] }) => [module, ...imports]));
    const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(path.join(place, file))).length, 0);
    expect(bytes / 1024).toBeLessThan(most);
    // Something was counted.
    expect(bytes / 1024).toBeGreaterThan(most / 2);
  });
