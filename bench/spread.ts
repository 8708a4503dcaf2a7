import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { keyOf, labelsOn } from '../core/handout/copy';
import { lookFor } from '../core/lookfors/all';
import { plain } from '../core/schema/defaults';
import { bodyText } from '../core/text/body';
import { heronSheet } from '../demo/sheets';
import { openPictures } from '../server/art/shipped';
import type { Database } from '../server/database/connection';
import { openDatabase } from '../server/database/open';
import { addClass, addStudent } from '../server/stores/classes';
import { copiesOf } from '../server/stores/copies';
import { saveChanges } from '../server/stores/documents';
import { handIn } from '../server/stores/goes';
import { createHandout } from '../server/stores/handing-out';
import { CHROMIUM } from '../tests/support/chromium';
import type { Figure } from './measure';
import { figure, median } from './measure';
import { schoolWithTeacher, Served, teacherAt } from './server';

/** A class’s pieces laid out in a real browser, from the press to what can be worked with: the spread, and one spot of all. */

const PORT = 4691;
const [CLASS, MANY] = [35, 200];
const RUNS = 5;
const WRONG = ['wing', 'the neck', 'Feder', 'leg', 'tale', 'bill'];

/** A class that has handed a labelled diagram in, each with some labels wrong. */
async function classOf(db: Database, ids: { schoolId: string; teacherId: string }, students: number): Promise<string> {
  const classId = await addClass(db, { ...ids, name: `Class of ${students}` });
  for (let i = 0; i < students; i++)
    await addStudent(db, { schoolId: ids.schoolId, classId, name: `Student ${String(i).padStart(3, '0')}` });
  const sheet = heronSheet();
  const handoutId = await createHandout(
    db,
    {
      ...ids,
      classId,
      sheetId: null,
      sheet,
      title: `Heron ${students}`,
      brief: '',
      dueAt: null,
      lookFors: [
        lookFor({ kind: 'name', id: 'name', title: 'Your name', tell: 'result', item: 'name' }),
        { kind: 'labels', id: 'labels', title: 'Labels', tell: 'filled', spelling: 'near', ...keyOf(sheet)[0] },
        lookFor({ kind: 'words', id: 'why', title: 'A reason', tell: 'result', item: 'why', min: 8 }),
        { kind: 'teacher', id: 'neat', title: 'Easy to read', tell: 'after' },
      ],
      rubric: { rows: [] },
      supplies: [],
    },
    openPictures(),
  );
  const blanks = labelsOn(sheet.pages[0]).filter(({ item }) => item.blank);
  for (const [i, copy] of (await copiesOf(db, handoutId)).entries()) {
    const words = [
      ['name', copy.studentName],
      ['why', `It stands in the water and waits for fish number ${i}`],
      ...blanks.map(({ item }, k) => [
        item.id,
        (i + k) % 7 === 0 ? WRONG[(i * 3 + k) % WRONG.length] : bodyText(item.body),
      ]),
    ];
    const changes = words.map(([id, said]) => ({ kind: 'splice' as const, id, at: 0, remove: 0, insert: plain(said) }));
    const save = {
      documentId: copy.documentId,
      authorId: copy.studentId,
      base: 0,
      batch: `bench-${students}-${i}`,
      changes,
    };
    await saveChanges(db, save, () => null, copy.id);
    await handIn(db, copy, changes.length);
  }
  return handoutId;
}

type Taken = { there: number; seen: number };

/** Milliseconds from a press on a link until so many parts are there to work with, and until the pictures in view are painted. */
async function taken(window: Page, link: string, part: string, count: number): Promise<Taken> {
  return window.evaluate(
    async ({ link, part, count }) => {
      const isThere = () => document.querySelectorAll(part).length >= count;
      const isSeen = () =>
        [...document.querySelectorAll<HTMLImageElement>(`${part} img`)]
          .filter((one) => one.getBoundingClientRect().top < innerHeight)
          .every((one) => one.complete && one.naturalWidth > 0);
      const begun = performance.now();
      const until = async (isSo: () => boolean) => {
        while (!isSo() && performance.now() - begun < 30_000)
          await new Promise((resolve) => requestAnimationFrame(resolve));
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
        return performance.now() - begun;
      };
      document.querySelector<HTMLElement>(link)!.click();
      return { there: await until(isThere), seen: await until(isSeen) };
    },
    { link, part, count },
  );
}

export async function run(): Promise<Figure[]> {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-bench-'));
  const db = await openDatabase({ dataDir: folder });
  const teacher = await schoolWithTeacher(db);
  const sizes = [CLASS, MANY];
  const ids: string[] = [];
  for (const size of sizes) ids.push(await classOf(db, teacher, size));
  await db.close();
  const server = await Served.start(PORT, { DATA_DIR: folder, DATABASE_URL: '' }, 'ignore');
  const browser = await chromium.launch(CHROMIUM);
  try {
    const url = server.base;
    const window = await teacherAt(browser, url);
    const spreads: Taken[][] = [[], []];
    const spots: Taken[] = [];
    for (let run = -1; run < RUNS; run++)
      for (const [i, size] of sizes.entries()) {
        await window.goto(`${url}/desk`, { waitUntil: 'networkidle' });
        const spread = await taken(window, `a.handouts_open[href="/handouts/${ids[i]}"]`, '.spread_card', size);
        if (run >= 0) spreads[i].push(spread);
        if (size !== CLASS) continue;
        await window.waitForLoadState('networkidle');
        const spot = await taken(window, `a[href="/handouts/${ids[i]}/spot"]`, '.spot_group', 1);
        if (run >= 0) spots.push(spot);
      }
    const at = (times: readonly Taken[], what: keyof Taken) => median(times.map((one) => one[what]));
    return [
      figure(`spread of ${CLASS}, press to all pieces, against 1 s`, at(spreads[0], 'there'), 1000, 1),
      figure(`spread of ${CLASS}, press to pictures in view, against 1 s`, at(spreads[0], 'seen'), 1000, 1),
      figure(`spread of ${MANY}, press to all pieces, against 3 s`, at(spreads[1], 'there'), 3000, 1),
      figure(`spread of ${MANY}, press to pictures in view, against 3 s`, at(spreads[1], 'seen'), 3000, 1),
      figure(`one spot of ${CLASS}, press to pictures in view, against 500 ms`, at(spots, 'seen'), 500, 1),
    ];
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
