import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { remake } from '../core/makers/all';
import { beginMap } from '../core/makers/map/begin';
import { defaultRoles, group, page, picture, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import type { Item, Sheet } from '../core/schema/sheet';
import { openDatabase } from '../server/database/open';
import { createSheet } from '../server/stores/sheets';
import { Shelf } from '../server/exports/shelf';
import { CHROMIUM } from '../tests/support/chromium';
import { nodes } from './makers';
import { figure, median, share } from './measure';
import { schoolWithTeacher, Served, teacherAt } from './server';

/**
 * In a real browser: dragging one of 2,000 things with grid and guides on, beside konva's own drag of the same shapes; opening
 * a sheet of 300 things, and a page of 100 pictures; typing; scrolling through pictures; typing in the outline of a map.
 */

const PORT = 4689;

function sheetOf(count: number, words: boolean): Sheet {
  const columns = Math.ceil(Math.sqrt(count * 1.3));
  const items = Array.from({ length: count }, (_, i): Item => {
    const [x, y] = [20 + (i % columns) * (750 / columns), 20 + Math.floor(i / columns) * (570 / (count / columns))];
    if (words && i % 2 === 0)
      return text({
        id: `t${i}`,
        x,
        y,
        width: 40,
        height: 20,
        body: [{ format: {}, runs: [{ text: `word ${i}`, style: { size: 7 } }] }],
      });
    return shape({
      id: `s${i}`,
      x,
      y,
      width: 11,
      height: 9,
      shape: i % 3 ? 'rectangle' : 'star',
      adjust: [0],
      fill: solid(i % 2 ? '#dfe8d0' : '#fbe3d3'),
    });
  });
  const front = words
    ? text({ id: 'front', x: 300, y: 250, width: 220, height: 60, fill: solid('#ffffff'), body: plain('typing here') })
    : shape({ id: 'front', x: 340, y: 280, width: 60, height: 40, fill: solid('#c8632e') });
  // Guides every inch and a grid of a quarter inch, so that snapping has all its work to do.
  const guides = Array.from({ length: 10 }, (_, i) => ({
    axis: i % 2 ? ('x' as const) : ('y' as const),
    at: 72 * (1 + i / 2),
  }));
  return sheet({ title: `${count} things`, pages: [page({ id: 'p', guides, grid: 18, items: [front, ...items] })] });
}

/** A page of pictures that ship, each another one. */
function albumSheet(count: number): Sheet {
  const known = JSON.parse(readFileSync('.generated/pictures/index.json', 'utf8')) as { id: string; name: string }[];
  const flat = known.filter(({ id }) => id.startsWith('flat/')).slice(0, count);
  const items = flat.map(({ id, name }, i) =>
    picture({
      id: `p${i}`,
      picture: id,
      alt: name,
      x: 20 + (i % 12) * 62,
      y: 20 + Math.floor(i / 12) * 62,
      width: 54,
      height: 54,
    }),
  );
  return sheet({ title: 'an album', pages: [page({ id: 'p', items })] });
}

/** Leaves a page alone for a while, to time its idle frames. */
const pause = (window: Page, time: number) =>
  window.evaluate((ms) => new Promise<void>((done) => setTimeout(done, ms)), time);

/** Times between frames during an action, in milliseconds. */
async function frames(window: Page, work: () => Promise<void>): Promise<number[]> {
  await window.evaluate(() => {
    const store = window as unknown as { times: number[]; on: boolean };
    store.times = [];
    store.on = true;
    let last = performance.now();
    const tick = (now: number) => {
      store.times.push(now - last);
      last = now;
      if (store.on) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await work();
  return window.evaluate(() => {
    const store = window as unknown as { times: number[]; on: boolean };
    store.on = false;
    return store.times.slice(2);
  });
}

/** The frames while the front one of the same shapes is dragged, on a konva stage of the same size. */
async function konvaDrag(window: Page, made: Sheet): Promise<number[]> {
  await window.goto('about:blank');
  await window.setContent('<body style="margin:0"><div id="stage"></div></body>');
  await window.addScriptTag({ path: 'node_modules/konva/konva.min.js' });
  const shapes = made.pages[0].items.flatMap((item) =>
    item.kind === 'shape' && item.fill?.kind === 'solid'
      ? [
          {
            id: item.id,
            star: item.shape === 'star',
            x: item.x,
            y: item.y,
            width: item.width,
            height: item.height,
            fill: item.fill.colour,
          },
        ]
      : [],
  );
  await window.evaluate((list) => {
    type Node = { on(name: string, work: () => void): void };
    type Konva = Record<string, new (options: Record<string, unknown>) => Node & { add(node: Node): void }>;
    const { Konva } = window as unknown as { Konva: Konva };
    const scale = 716 / 792;
    const stage = new Konva.Stage({ container: 'stage', width: 716, height: 553, scale: { x: scale, y: scale } });
    const layer = new Konva.Layer({});
    // Back to front, as konva draws.
    for (const { id, star, x, y, width, height, fill } of list.toReversed()) {
      const common = { fill, stroke: '#4a6b35', strokeWidth: 1.5, draggable: id === 'front' };
      layer.add(
        star
          ? new Konva.Star({
              ...common,
              x: x + width / 2,
              y: y + height / 2,
              numPoints: 5,
              innerRadius: 2,
              outerRadius: 5,
            })
          : new Konva.Rect({ ...common, x, y, width, height }),
      );
    }
    stage.add(layer);
  }, shapes);
  await pause(window, 800);
  const at = (x: number, y: number) => ({ x: (x / 792) * 716, y: (y / 612) * 553 });
  return dragged(window, at);
}

/** A page with a map of so many nodes. */
async function mapSheet(count: number): Promise<Sheet> {
  const { resources } = await Shelf.open();
  const state = { kind: 'map' as const, recipe: { ...beginMap([]), nodes: nodes(count), size: 11 }, seed: 1 };
  const empty = group({ id: 'map', x: 20, y: 20, width: 752, height: 572, items: [] });
  const made = await remake({ group: empty, state }, { ...resources, roles: defaultRoles() });
  return sheet({ title: 'a map', pages: [page({ id: 'p', items: [made.group] })] });
}

/** Letters typed into the outline of a map: the time until each is painted, and until the whole map has been laid out and painted again. */
async function typedInMap(window: Page, letters: number): Promise<{ letter: number[]; whole: number[] }> {
  await window.locator('.page-view g[data-item="map"] path').first().waitFor({ state: 'attached' });
  await window.locator('.stack_item').click();
  await window.locator('.map_padRow input').nth(3).waitFor();
  await pause(window, 800);
  return window.evaluate(async (count) => {
    const times = { letter: [] as number[], whole: [] as number[] };
    const input = document.querySelectorAll<HTMLInputElement>('.map_padRow input')[3];
    const map = document.querySelector('.page-view g[data-item="map"]')!;
    let paints: number[] = [];
    let begun = 0;
    new MutationObserver(() => {
      requestAnimationFrame(() => setTimeout(() => paints.push(performance.now() - begun)));
    }).observe(map, { childList: true, subtree: true });
    for (let i = 0; i < count; i++) {
      paints = [];
      begun = performance.now();
      input.focus();
      document.execCommand('insertText', false, 'etaoin'[i % 6]);
      // The first ones wait for the worker to begin.
      await new Promise((resolve) => setTimeout(resolve, i > 2 ? 400 : 1500));
      if (i > 2) {
        if (paints.length === 0) throw new Error('the map did not follow');
        times.letter.push(paints[0]);
        times.whole.push(paints[paints.length - 1]);
      }
    }
    return times;
  }, letters);
}

async function dragged(window: Page, at: (x: number, y: number) => { x: number; y: number }): Promise<number[]> {
  const start = at(370, 300);
  await window.mouse.move(start.x, start.y);
  await window.mouse.down();
  const moving = await frames(window, async () => {
    for (let i = 0; i < 120; i++) {
      const to = at(370 + 150 * Math.sin(i / 12), 300 + 120 * Math.cos(i / 15));
      await window.mouse.move(to.x, to.y);
    }
  });
  await window.mouse.up();
  return moving;
}

export async function run() {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-bench-'));
  const db = await openDatabase({ dataDir: folder });
  const { schoolId, teacherId: teacher } = await schoolWithTeacher(db);
  const make = (made: Sheet) => createSheet(db, { schoolId, ownerId: teacher, purpose: 'blank', sheet: made });
  const [large, medium] = [await make(sheetOf(2000, false)), await make(sheetOf(300, true))];
  const map = await make(await mapSheet(150));
  const album = await make(albumSheet(100));
  await db.close();
  const server = await Served.start(PORT, { DATA_DIR: folder, DATABASE_URL: '' }, 'ignore');
  const browser = await chromium.launch(CHROMIUM);
  try {
    const url = server.base;
    const window = await teacherAt(browser, url);

    // From the click on the Desk to a usable sheet, in a warm browser.
    const opened: number[] = [];
    for (let i = 0; i < 6; i++) {
      await window.goto(`${url}/desk`);
      const link = window.locator(`a[href="/sheets/${medium}"]`);
      await link.waitFor();
      const begun = Date.now();
      await link.click();
      await window.locator('.page-view g[data-item="front"] path').first().waitFor();
      if (i > 0) opened.push(Date.now() - begun);
    }

    const view = (await window.locator('.page-view').boundingBox())!;
    await window.mouse.dblclick(view.x + view.width * 0.5, view.y + view.height * 0.44);
    await window.locator('.words-input').waitFor({ state: 'attached' });
    const typed = await window.evaluate(async () => {
      const times: number[] = [];
      const area = document.querySelector<HTMLTextAreaElement>('.words-input')!;
      for (let i = 0; i < 40; i++) {
        const begun = performance.now();
        area.focus();
        document.execCommand('insertText', false, 'etaoin '[i % 7]);
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
        times.push(performance.now() - begun);
      }
      return times;
    });

    // A page of a hundred pictures, each another one, until all of them are drawn.
    const looked: number[] = [];
    for (let i = 0; i < 4; i++) {
      await window.goto(`${url}/desk`);
      const link = window.locator(`a[href="/sheets/${album}"]`);
      await link.waitFor();
      const begun = Date.now();
      await link.click();
      await window.waitForFunction(
        () =>
          [...document.querySelectorAll('.page-view > g[data-item]')].filter((one) =>
            one.querySelector('path[fill^="#"]'),
          ).length === 100,
      );
      if (i > 0) looked.push(Date.now() - begun);
    }
    // Scrolling through all silhouettes in the drawer.
    await window.getByRole('tab', { name: 'Pictures' }).click();
    await window.getByRole('button', { name: 'Silhouettes' }).click();
    const tiles = window.locator('.drawer_picturesFound');
    await tiles.locator('img').nth(500).waitFor({ state: 'attached' });
    const quiet = await frames(window, () => pause(window, 2000));
    const scrolled = await frames(window, async () => {
      await tiles.hover();
      for (let i = 0; i < 60; i++) await window.mouse.wheel(0, 40);
      await pause(window, 300);
    });

    await window.goto(`${url}/sheets/${map}`);
    const mapped = await typedInMap(window, 30);

    await window.goto(`${url}/sheets/${large}`);
    await window.locator('.page-view g[data-item="front"] path').first().waitFor();
    await pause(window, 1500);
    const box = (await window.locator('.page-view').boundingBox())!;
    const at = (x: number, y: number) => ({ x: box.x + (x / 792) * box.width, y: box.y + (y / 612) * box.height });
    const still = await frames(window, () => pause(window, 2000));
    const moving = await dragged(window, at);
    const konva = await konvaDrag(window, sheetOf(2000, false));
    return [
      figure('dragging 1 of 2,000 things, median frame, against the idle page', median(moving), median(still), 1.1),
      figure('the same, 95% of frames, against two frames of the idle page', share(moving, 0.95), 2 * median(still), 1),
      figure('the same, median frame, against konva’s own drag of them', median(moving), median(konva), 1),
      figure('the same, 95% of frames, against konva', share(moving, 0.95), share(konva, 0.95), 1),
      figure('opening a 300-item sheet from the Desk, against 1 s', median(opened), 1000, 1),
      figure('opening a page of 100 pictures from the Desk, against 1.5 s', median(looked), 1500, 1),
      figure('scrolling the drawer, median frame, against the idle page', median(scrolled), median(quiet), 1.1),
      figure(
        'the same, 95% of frames, against two frames of the idle page',
        share(scrolled, 0.95),
        2 * median(quiet),
        1,
      ),
      figure('typing on a 300-item page, key to paint, against 32 ms', median(typed), 32, 1),
      figure(
        'a letter typed in the outline of a map of 150, to its paint, against two frames',
        median(mapped.letter),
        2000 / 60,
        1,
      ),
      figure('the same, until all is painted where it belongs then', median(mapped.whole), 2000 / 60, 1),
    ];
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
