import { SECRET } from '../../demo/school';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  blankPage,
  drawn,
  enter,
  expect,
  exported,
  field,
  join,
  just,
  leaf,
  made,
  onSheet,
  paste,
  press,
  saved,
  stack,
  test,
  signedIn,
} from './house';

const rows = (page: Page) => page.getByRole('list', { name: 'Outline' }).getByRole('textbox');
const outline = (page: Page) => rows(page).evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
const depths = (page: Page) =>
  rows(page).evaluateAll((all) => all.map((one) => Number(/level (\d+)/.exec(one.getAttribute('aria-label')!)![1])));

/** The middle of what is chosen, on the screen; its name tells when that is so. */
async function middle(page: Page, name: string): Promise<{ x: number; y: number }> {
  await expect(page.locator('.settings h3')).toContainText(name);
  await expect(page.locator('.sheet-over .mark-frame')).toHaveCount(1);
  const box = (await page.locator('.sheet-over .mark-frame').boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** Puts a map on the page and writes an outline into its pad. */
async function writeMap(page: Page) {
  await made(page, /^concept map/i);
  await rows(page).first().click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('salt marsh');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('plants');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('sea lavender');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.type('animals');
  await expect(onSheet(page)).toContainText('animals');
  await saved(page);
}

test.describe('a concept map', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));

  test('follows its outline, and is there after a reload', async () => {
    await writeMap(page);
    expect(await outline(page)).toEqual(['salt marsh', 'plants', 'sea lavender', 'animals']);
    expect(await depths(page)).toEqual([1, 2, 3, 2]);
    for (const words of ['salt marsh', 'plants', 'sea lavender', 'animals'])
      await expect(onSheet(page)).toContainText(words);
    // Its links are in the stack as well.
    const faces = stack(page).locator('svg');
    await expect(faces).toHaveCount(3);
    await expect
      .poll(() =>
        faces.evaluateAll((all) =>
          all.map((face) => {
            const [outer, inner] = [face, face.querySelector('path')!].map((one) => one.getBoundingClientRect());
            return inner.top >= outer.top && inner.bottom <= outer.bottom && inner.left >= outer.left;
          }),
        ),
      )
      .toEqual([true, true, true]);
    await page.getByRole('radio', { name: 'all round' }).click();
    await expect(page.getByRole('radio', { name: 'all round' })).toBeChecked();
    await saved(page);
    await page.reload();
    await drawn(page);
    for (const words of ['salt marsh', 'animals']) await expect(onSheet(page)).toContainText(words);
    // Opened again later, it can be written on as when it was new.
    await stack(page).first().click();
    await rows(page).nth(1).click();
    await page.keyboard.press('End');
    await page.keyboard.type(' of salt', { delay: 30 });
    await expect(rows(page).nth(1)).toBeFocused();
    await expect(onSheet(page)).toContainText('plants of salt');
  });

  test('what is done on the map shows in the outline: a child, a name, a branch hung elsewhere, a node taken away', async () => {
    await writeMap(page);
    await rows(page).nth(3).click();
    await expect(page.locator('.settings h3')).toContainText('animals');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Control+Enter');
    await expect(rows(page)).toHaveCount(5);
    await page.keyboard.type('heron');
    await page.keyboard.press('Escape');
    await expect.poll(() => outline(page)).toEqual(['salt marsh', 'plants', 'sea lavender', 'animals', 'heron']);
    expect(await depths(page)).toEqual([1, 2, 3, 2, 3]);
    // Dropped on “plants”, it hangs there.
    await rows(page).nth(1).click();
    const plants = await middle(page, 'plants');
    await rows(page).nth(4).click();
    const heron = await middle(page, 'heron');
    await page.mouse.move(heron.x, heron.y);
    await page.mouse.down();
    await page.mouse.move(plants.x + 20, plants.y + 20, { steps: 4 });
    await page.mouse.move(plants.x, plants.y, { steps: 3 });
    await page.mouse.up();
    await expect.poll(() => outline(page)).toEqual(['salt marsh', 'plants', 'sea lavender', 'heron', 'animals']);
    expect(await depths(page)).toEqual([1, 2, 3, 3, 2]);
    await rows(page).nth(2).click();
    await expect(page.locator('.settings h3')).toContainText('sea lavender');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Delete');
    await expect.poll(() => outline(page)).toEqual(['salt marsh', 'plants', 'heron', 'animals']);
    await page.keyboard.press('Control+z');
    await expect.poll(() => outline(page)).toEqual(['salt marsh', 'plants', 'sea lavender', 'heron', 'animals']);
    await saved(page);
  });

  test('nodes are begun and written on the sheet as fast as one types', async () => {
    await writeMap(page);
    await rows(page).nth(3).click();
    await expect(page.locator('.settings h3')).toContainText('animals');
    await page.locator('[data-stage]').focus();
    for (const words of ['waders', 'redshank']) {
      await page.keyboard.press('Control+Enter');
      await page.keyboard.type(words);
    }
    await page.keyboard.press('Control+Shift+Enter');
    await page.keyboard.type('dunlin');
    await page.keyboard.press('Escape');
    const all = ['salt marsh', 'plants', 'sea lavender', 'animals', 'waders', 'redshank', 'dunlin'];
    await expect.poll(() => outline(page)).toEqual(all);
    expect(await depths(page)).toEqual([1, 2, 3, 2, 3, 4, 4]);
    for (const words of all) await expect(onSheet(page)).toContainText(words);
    await saved(page);
  });

  test('a node moved by hand keeps its place when the outline goes on, until it is tidied', async () => {
    await writeMap(page);
    await rows(page).nth(1).click();
    await expect(page.locator('.settings h3')).toContainText('plants');
    await leaf(page, 'place');
    const down = field(page, 'from top');
    const before = Number(await down.inputValue());
    await page.locator('[data-stage]').focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowDown');
    await expect.poll(async () => Number(await down.inputValue()) - before).toBeGreaterThan(0.4);
    await leaf(page, 'outline');
    await expect(page.getByText('1 part was changed by hand')).toBeVisible();
    await rows(page).nth(3).press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('water');
    await expect(onSheet(page)).toContainText('water');
    await rows(page).nth(1).click();
    await expect(page.getByText('1 part was changed by hand')).toBeVisible();
    await page.getByText('Tidy', { exact: true }).click();
    await expect(page.getByText('1 part was changed by hand')).toHaveCount(0);
    await saved(page);
  });

  test('a long outline is written, walked and scrolled like a short one', async () => {
    await made(page, /^concept map/i);
    await rows(page).first().click();
    await paste(page, ['tides', ...Array.from({ length: 80 }, (_, i) => `\tcreek ${i + 1}`)].join('\n'));
    const pad = page.getByRole('list', { name: 'Outline' });
    const line = (n: number) => pad.getByRole('textbox', { name: `Line ${n}, ` });
    await expect(onSheet(page)).toContainText('creek 80');
    // Only visible lines exist, but each says where in the whole it stands.
    expect(await rows(page).count()).toBeLessThan(50);
    await expect(pad.getByRole('listitem').first()).toHaveAttribute('aria-setsize', '81');
    await expect(line(81)).toBeFocused();
    await expect(line(81)).toBeInViewport();
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowUp');
    await expect(line(61)).toBeFocused();
    await expect(line(61)).toBeInViewport();
    // The line that is being edited stays while it is scrolled out of sight.
    await pad.evaluate((list) => list.scrollTo(0, 0));
    await expect(line(1)).toBeInViewport();
    await page.keyboard.press('End');
    await page.keyboard.type(' b');
    await page.keyboard.press('Enter');
    await page.keyboard.type('mud');
    await expect(line(62)).toBeFocused();
    await expect(line(61)).toHaveValue('creek 60 b');
    await expect(line(62)).toHaveValue('mud');
    await expect(line(62)).toBeInViewport();
    await expect(onSheet(page)).toContainText('mud');
    // A node that is chosen on the map is shown in the outline.
    await page.locator('[data-stage]').focus();
    const node = stack(page).first();
    const name = await node.getAttribute('title');
    expect(name).not.toMatch(/creek (4|5|6)\d|mud/);
    await node.click();
    const chosen = pad.locator('.current').getByRole('textbox');
    await expect(chosen).toHaveValue(name!);
    await expect(chosen).toBeInViewport();
    // It is too large for its frame; one press gives it more room.
    await expect(page.getByText('The map is larger than its frame')).toBeVisible();
    const wide = async () => {
      await leaf(page, 'place');
      const width = Number(await field(page, 'width').inputValue());
      await leaf(page, 'outline');
      return width;
    };
    await page.getByRole('button', { name: '‹ leave group' }).click();
    await stack(page).first().click();
    const before = await wide();
    await page.getByRole('button', { name: 'Enlarge the frame to the page margins' }).click();
    await expect.poll(wide).toBeGreaterThan(before + 1);
    await expect(page.getByRole('button', { name: 'Enlarge the frame to the page margins' })).toHaveCount(0);
    await saved(page);
  });

  test('words on links are typed as fast as one likes', async () => {
    await writeMap(page);
    await rows(page).nth(2).click();
    await expect(page.locator('.settings h3')).toContainText('sea lavender');
    const words = page.getByRole('textbox', { name: 'Words on the link to this node' });
    await words.pressSequentially('grows below the sea wall');
    await expect(words).toHaveValue('grows below the sea wall');
    await words.press('Home');
    await words.pressSequentially('that ');
    await expect(words).toHaveValue('that grows below the sea wall');
    await expect(onSheet(page)).toContainText('that grows below the sea wall');
    await saved(page);
  });

  test('goes on being made after it was laid out as a network', async () => {
    await made(page, /^concept map/i);
    await rows(page).first().click();
    await paste(page, 'tide\n\thigh water\n\tlow water\n\tneap\n\tspring\n\t\tmoon');
    await expect.poll(() => outline(page)).toHaveLength(6);
    const layout = (name: string) => page.getByRole('radiogroup', { name: 'Layout' }).getByRole('radio', { name });
    const places = () => page.locator('.page-view').innerHTML();
    for (const name of ['network', 'all round', 'network', 'tree, downwards']) {
      const before = await places();
      await layout(name).click();
      await expect.poll(places).not.toBe(before);
      await saved(page);
    }
    await rows(page).last().click();
    await page.keyboard.press('End');
    await page.keyboard.type('light');
    await expect(onSheet(page)).toContainText('moonlight');
    await saved(page);
    await page.reload();
    await expect(onSheet(page)).toContainText('moonlight');
  });

  test('takes in a pasted list and a file, gives out OPML, and says what it can’t take', async () => {
    await made(page, /^concept map/i);
    await rows(page).first().click();
    await paste(page, '• tide\n\t◦ high water\n\t◦ low water');
    await expect.poll(() => outline(page)).toEqual(['tide', 'high water', 'low water']);
    expect(await depths(page)).toEqual([1, 2, 2]);
    // The next list goes after the last pasted line, which has the caret now.
    await paste(page, 'neap\n\tspring');
    await expect.poll(() => outline(page)).toEqual(['tide', 'high water', 'low water', 'neap', 'spring']);
    expect(await depths(page)).toEqual([1, 2, 2, 2, 3]);
    await rows(page).first().click();
    await paste(page, Array.from({ length: 5000 }, (_, i) => `line ${i}`).join('\n'));
    await expect(page.getByText(/5,000 lines; a map holds 600/)).toBeVisible();
    expect(await rows(page).count()).toBe(5);
    await page.getByRole('button', { name: 'OK' }).click();
    const file = page.getByLabel('File with an outline');
    await file.setInputFiles({
      name: 'loop.graphml',
      mimeType: 'application/xml',
      buffer: Buffer.from(
        '<graphml><key id="k" for="node" attr.name="label"/><graph edgedefault="directed"><node id="a"><data key="k">sun</data></node><node id="b"><data key="k">algae</data></node><edge source="a" target="b"/><edge source="b" target="a"/></graph></graphml>',
      ),
    });
    await expect.poll(() => outline(page)).toEqual(['sun', 'algae']);
    await file.setInputFiles({
      name: 'torn.opml',
      mimeType: 'text/x-opml',
      buffer: Buffer.from('<opml><body><outline text="x">'),
    });
    await expect(page.getByText(/“torn.opml”: This OPML file is damaged/)).toBeVisible();
    await page.getByRole('button', { name: 'OK' }).click();
    await page.getByRole('button', { name: 'Download as' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByText('outline (OPML)').click()]);
    const given = readFileSync(await download.path(), 'utf8');
    expect(given).toContain('<outline text="sun" map:id="1">');
    // What the format has no place for is kept too.
    expect(given).toContain('map:across=');
  });
});

test.describe('a labelled diagram', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await enter(browser, house, 'Maren');
  });
  test.beforeEach(async () => {
    await blankPage(page);
    await made(page, /^labelled diagram/i);
    await expect(page.getByRole('textbox', { name: 'Spot 1', exact: true })).toBeVisible();
    await expect(onSheet(page)).toContainText('bill');
  });
  const edition = async (name: string) => {
    await page.getByRole('combobox', { name: 'Edition' }).click();
    await page.getByTitle(just(name)).click();
  };

  test('is labelled at once, and one choice makes it another edition with its bank and key', async ({ house }) => {
    await expect(onSheet(page)).toContainText('bill');
    await edition('empty, with a word bank');
    await page.getByRole('textbox', { name: /^Decoys/ }).fill('antler, Bill');
    await page.getByRole('textbox', { name: /^Decoys/ }).blur();
    await expect(page.getByText(/“Bill” can’t mislead/)).toBeVisible();
    await expect(onSheet(page)).toContainText('antler');
    await saved(page);
    await page.getByRole('link', { name: 'Hand out' }).click();
    await page.waitForURL(/hand-out/);
    await expect(page.getByText('(9 parts)')).toBeVisible();
    expect(house.url).toBeTruthy();
  });

  test('a spot is pointed at on the picture, and named', async () => {
    const count = await page.getByRole('list', { name: 'Spots' }).getByRole('listitem').count();
    await page.getByText('+ new spot').click();
    await press(page, 396, 330);
    const fresh = page.getByRole('textbox', { name: `Spot ${count + 1}`, exact: true });
    await fresh.fill('breast');
    await expect(onSheet(page)).toContainText('breast');
    await page.getByText('+ new spot').click();
    await press(page, 20, 20);
    await expect(page.getByText(/Press on the picture itself/)).toBeVisible();
    await page.getByRole('button', { name: 'OK' }).click();
    await saved(page);
  });
});

test.describe('a practice sheet', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));

  test('thirty versions are thirty pages and one step', async () => {
    await made(page, 'sums');
    await expect(page.getByText('+ − up to 20')).toBeVisible();
    await expect(onSheet(page)).toContainText('Sums');
    await page.getByText('30 versions', { exact: true }).click();
    await expect(page.getByText('30 versions: this page and the 29 after it.')).toBeVisible();
    await expect(page.getByText('page 1 of 30')).toBeVisible();
    const first = await onSheet(page).innerText();
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('PageDown');
    await expect(page.getByText('page 2 of 30')).toBeVisible();
    await expect.poll(async () => (await onSheet(page).innerText()) === first).toBe(false);
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Control+z');
    await expect(page.getByText('page 1 of 30')).toHaveCount(0);
    await saved(page);
  });

  test('says how hard it is, and what it lacks', async () => {
    await made(page, 'bingo');
    await expect(page.getByText('3 by 3 out of 14 things')).toBeVisible();
    await field(page, 'side').fill('6');
    await field(page, 'side').press('Enter');
    await expect(page.getByText(/6 by 6 needs 36 things; there are 14/)).toBeVisible();
    await made(page, 'word search');
    await field(page, 'words').fill('otter\nhippopotamuses\nvole');
    await field(page, 'words').blur();
    await expect(page.getByText(/Not hidden: HIPPOPOTAMUSES/)).toBeVisible();
    await leaf(page, 'place');
    await leaf(page, 'practice');
    await expect(stack(page)).toHaveCount(2);
    await saved(page);
  });

  test('students get it without its solution', async () => {
    await made(page, 'matching');
    await expect(onSheet(page)).toContainText('Matching');
    await saved(page);
    const id = /sheets\/([^/?]+)/.exec(page.url())![1];
    const students = await exported(page, id, { as: 'pdf' });
    const key = await exported(page, id, { as: 'pdf', side: 'key' });
    expect(key.length).toBeGreaterThan(students.length);
  });
});

test('a class makes a map, and it is read against the teacher’s', async ({ browser, house }) => {
  const teacher = await signedIn(browser, house, 'Maren');
  await blankPage(teacher);
  await made(teacher, /^concept map/i);
  const write = async (page: Page, words: string[]) => {
    await rows(page).first().click();
    await page.keyboard.press('Control+a');
    await page.keyboard.type(words[0]);
    for (const word of words.slice(1)) {
      await page.keyboard.press('Enter');
      await page.keyboard.press('Tab');
      await page.keyboard.type(word);
    }
  };
  await write(teacher, ['salt marsh', 'heron', 'crab']);
  await expect(onSheet(teacher)).toContainText('crab');
  await teacher.locator('[data-stage]').focus();
  // Escape first deselects, then leaves the map.
  await teacher.keyboard.press('Escape');
  await teacher.keyboard.press('Escape');
  await expect(teacher.locator('.settings h3')).toContainText('Page');
  await stack(teacher).first().click();
  await expect(teacher.locator('.settings h3')).toContainText('concept map');
  await leaf(teacher, 'students');
  await teacher.getByText('answer key only').click();
  await saved(teacher);
  await teacher.getByRole('link', { name: 'Hand out' }).click();
  await teacher.getByRole('combobox', { name: 'Add a look-for' }).click();
  await teacher.getByTitle('a concept map like mine').click();
  await expect(teacher.getByText('on yours: 2 of 2')).toBeVisible();
  await teacher.getByRole('checkbox', { name: 'concept maps' }).check();
  await teacher.getByRole('checkbox', { name: /Avocet/ }).check();
  await teacher.getByLabel('Name of the handout').fill('A map of the marsh');
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await teacher.waitForURL(/\/handouts\//);

  const student = await join(browser, house, 'avct4', 'Ilse Brandt', SECRET.split(' '));
  await student.locator('.tray_copy', { hasText: 'A map of the marsh' }).click();
  await drawn(student);
  await expect(student.locator('body')).not.toContainText('heron');
  await made(student, /^concept map/i);
  await write(student, ['Salt marshes', 'herons', 'carb']);
  await expect(onSheet(student)).toContainText('carb');
  await saved(student);
  await expect(student.getByRole('dialog')).toHaveCount(0);
  await student.getByRole('button', { name: 'Hand in' }).click();
  const look = student.getByRole('region', { name: 'A last look' });
  await look.getByRole('button', { name: /^Hand (it in|in anyway)$/ }).click();
  await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();

  await teacher.reload();
  await teacher.locator('.spread_card', { hasText: 'Ilse Brandt' }).click();
  await drawn(teacher);
  await expect(teacher.getByText('“carb” taken for “crab”')).toBeVisible();
  await expect(teacher.getByText(/1 of 1 met/)).toBeVisible();
});
