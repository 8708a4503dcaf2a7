import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { installPackages, root, run } from './install.mjs';

/** npm run pictures: takes the pictures of the README anew, from a demo school of its own. */

installPackages();
await (await import('./build.mjs')).build();
const { chromium } = await import('@playwright/test');
const out = path.join(root, 'docs/screenshots');
mkdirSync(out, { recursive: true });
const dataDir = mkdtempSync(path.join(tmpdir(), 'dappled-pictures-'));
const env = { ...process.env, DATA_DIR: dataDir, DATABASE_URL: '', DEMO: '1', PORT: '4688', NODE_ENV: 'production' };
run(process.execPath, ['build/seed.js'], { env });
const server = spawn(process.execPath, ['build/main.js'], { cwd: root, env, stdio: 'inherit' });
const base = 'http://localhost:4688';
const ready = () =>
  fetch(`${base}/healthz`).then(
    (answer) => answer.ok,
    () => false,
  );
while (!(await ready())) await new Promise((resolve) => setTimeout(resolve, 200));
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});

async function enter(name) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL: base,
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await page.goto('/');
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await page.waitForURL(/desk|tray/);
  return page;
}
async function shot(page, name) {
  await page.waitForLoadState('networkidle');
  await page.mouse.move(2, 400);
  await page.evaluate(() =>
    document.fonts.ready.then(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))),
  );
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  console.log(`  ${name}`);
}
/** Presses a point of the page, in points. */
async function press(page, x, y) {
  const view = page.locator('.page-view').first();
  const box = await view.boundingBox();
  const [, , width, height] = (await view.getAttribute('viewBox')).split(' ').map(Number);
  await page.mouse.click(box.x + (x / width) * box.width, box.y + (y / height) * box.height);
}

try {
  const nobody = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: base })).newPage();
  await nobody.goto('/');
  await shot(nobody, 'front');
  const teacher = await enter('Maren');
  await shot(teacher, 'desk');
  await teacher.goto('/classes');
  await shot(teacher, 'classes');
  await teacher.goto('/desk');
  await teacher.locator('.sheets_open', { hasText: 'grey heron' }).click();
  await teacher.locator('.page-view').waitFor();
  await press(teacher, 690, 265);
  await teacher.locator('.margin-card.active').waitFor();
  await shot(teacher, 'workbench');
  const sheet = teacher.url();
  await teacher.goto('/desk');
  await teacher.locator('.sheets_open', { hasText: 'The salt marsh on one page' }).click();
  await teacher.locator('.page-view').waitFor();
  // The instruction in a colour that is too pale for it.
  await press(teacher, 396, 122);
  await teacher.getByRole('radio', { name: 'colour #cfdfec' }).click();
  await teacher.getByRole('region', { name: /^Hard to read/ }).waitFor();
  await shot(teacher, 'overview');
  await teacher.goto('/desk');
  await teacher.locator('.sheets_open', { hasText: 'The curlew' }).click();
  await teacher.locator('.page-view').waitFor();
  await teacher.locator('.drawer_tab', { hasText: 'Pictures' }).click();
  await teacher.locator('.drawer_picturesFound img').first().waitFor();
  await shot(teacher, 'pictures');
  await teacher.goto('/desk');
  await teacher.locator('.sheets_open', { hasText: 'A week on the salt marsh' }).click();
  await teacher.locator('.page-view').waitFor();
  await teacher.locator('.drawer_tab', { hasText: 'Makers' }).click();
  await teacher.locator('.drawer_makerSupply').first().waitFor();
  await teacher.locator('[data-stage]').focus();
  await press(teacher, 100, 330);
  await teacher.locator('.map_outlinePad input').first().waitFor();
  await shot(teacher, 'map');
  await teacher.locator('[data-stage]').focus();
  await teacher.keyboard.press('Escape');
  for (const [name, page, x, y] of [
    ['cloud', 5, 396, 300],
    ['chart', 6, 396, 400],
  ]) {
    await teacher.locator('[data-stage]').focus();
    await teacher.keyboard.press('Escape');
    while (!(await teacher.getByText(`page ${page} of 8`).isVisible())) await teacher.keyboard.press('PageDown');
    await press(teacher, x, y);
    await teacher.locator(`.${name}-panel`).waitFor();
    await shot(teacher, name);
  }
  await teacher.goto(sheet);
  await teacher.locator('.page-view').waitFor();
  await teacher.getByRole('link', { name: 'Hand out' }).click();
  await teacher.locator('.hand-out_touchMark').first().waitFor();
  await teacher.getByRole('checkbox', { name: /Curlew/ }).check();
  // The look-for that is written on is lit.
  await teacher.locator('.hand-out_lookforRow').nth(1).getByRole('button', { name: 'More' }).focus();
  await shot(teacher, 'hand-out');
  await teacher.goto('/desk');
  await teacher.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await teacher.locator('.recharts-bar').first().waitFor();
  await shot(teacher, 'spread');
  await teacher.getByRole('link', { name: 'One spot' }).click();
  await teacher.locator('.spot_group').first().waitFor();
  await teacher.waitForFunction(() =>
    [...document.querySelectorAll('.spot_pieces img')].slice(0, 5).every((image) => image.naturalWidth > 0),
  );
  await shot(teacher, 'spot');
  await teacher.getByRole('link', { name: 'All on one sheet' }).click();
  await teacher.locator('.placed_dot').first().waitFor();
  await teacher.getByRole('button', { name: /^plumes: / }).click();
  await teacher.getByText('Both', { exact: true }).click();
  await shot(teacher, 'placed');
  await teacher.getByRole('link', { name: 'The whole class' }).click();
  await teacher.getByRole('link', { name: 'Download', exact: true }).click();
  await teacher.locator('.out_view[aria-busy=false] img').waitFor();
  await shot(teacher, 'download');
  await teacher.getByRole('link', { name: 'The whole class' }).click();
  await teacher.locator('.spread_card', { hasText: 'Dara Kowal' }).click();
  await teacher.locator('.page-view').waitFor();
  await shot(teacher, 'reading');
  await teacher.goto('/desk');
  await teacher.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await teacher.getByRole('link', { name: /^Gallery/ }).click();
  await teacher.getByRole('list', { name: 'The gallery' }).waitFor();
  await teacher.waitForFunction(() =>
    [...document.querySelectorAll('[aria-label="The gallery"] img')]
      .slice(0, 3)
      .every((image) => image.naturalWidth > 0),
  );
  await shot(teacher, 'gallery');
  const student = await enter('Ayo');
  await shot(student, 'tray');
  await student.locator('.tray_copy').first().click();
  await student.locator('.page-view').waitFor();
  await press(student, 690, 521);
  await shot(student, 'copy');
  // Last, since it changes a sheet that other pictures show.
  await teacher.goto(sheet);
  await teacher.locator('.page-view').waitFor();
  await press(teacher, 150, 84);
  await teacher.keyboard.press('Enter');
  await teacher.keyboard.press('Control+a');
  await teacher.keyboard.type('Write the name of each part on its line.');
  await teacher.keyboard.press('Escape');
  await teacher.locator('.strip', { hasText: 'Saved' }).waitFor();
  await teacher.goto('/desk');
  await teacher.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await teacher.getByRole('link', { name: 'See and send the correction' }).click();
  await teacher.locator('.page-view').waitFor();
  await teacher.locator('.margin-card').nth(1).click();
  await shot(teacher, 'correction');
} finally {
  await browser.close();
  server.kill();
  rmSync(dataDir, { recursive: true, force: true });
}
