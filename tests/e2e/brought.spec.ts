import type { Page } from '@playwright/test';
import { discFile } from '../support/own';
import { pdfOf } from '../support/pdf';
import { drawn, expect, handingTides, House, pressed, saved, test, tidesOfAyo } from './house';

/** Work made elsewhere: a photo and a PDF become pages of the copy, and the teacher gets the files as they were. */

const file = (name: string, buffer: Buffer) => ({ name, mimeType: '', buffer });
const pages = (page: Page) => page.getByRole('list', { name: 'Pages made elsewhere' }).getByRole('button');
const chooser = (page: Page) => page.getByLabel('Files with your work', { exact: true });
const troubles = (page: Page) => page.getByRole('tabpanel').getByRole('alert');

test('a photo and a PDF come to a copy, also over a lost connection, and go to the teacher with the files', async ({
  browser,
}) => {
  const house = await House.open();
  const teacher = await handingTides(browser, house);
  await teacher.getByRole('checkbox', { name: 'Work made elsewhere' }).check();
  await teacher.getByLabel('At most so many: Work made elsewhere').fill('4');
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await teacher.waitForURL(/\/handouts\//);

  const ayo = await tidesOfAyo(browser, house);
  await pressed(ayo.getByRole('tab', { name: 'Work made elsewhere' }), ayo.getByRole('tabpanel'));
  await chooser(ayo).setInputFiles([
    file('ψηφίδες.txt', Buffer.from('words')),
    file('broken.pdf', Buffer.from('%PDF-1.7\nnothing follows')),
    file('locked.pdf', await pdfOf(['secret'], 'tide')),
    file('long.pdf', await pdfOf(Array.from({ length: 60 }, (_, i) => `${i}`))),
  ]);
  await expect(troubles(ayo)).toHaveCount(4);
  for (const words of [
    /“ψηφίδες.txt” can’t be shown as pages/,
    /“broken.pdf” is damaged/,
    /“locked.pdf” is locked with a password/,
    /“long.pdf” has 60 pages; at most 40/,
  ])
    await expect(troubles(ayo).filter({ hasText: words })).toBeVisible();
  for (let left = 4; left > 0; left--) {
    await troubles(ayo).first().getByRole('button', { name: 'close' }).click();
    await expect(troubles(ayo)).toHaveCount(left - 1);
  }
  await expect(pages(ayo)).toHaveCount(0);

  // The connection is lost after the first page of three.
  const pdf = await pdfOf(['one', 'two', 'three']);
  await ayo.route(/files\?.*page=2/, (route) => route.abort());
  await chooser(ayo).setInputFiles([file('Übung μ.pdf', pdf)]);
  await expect(troubles(ayo)).toContainText('The first page of “Übung μ.pdf” came, the others not');
  await expect(pages(ayo)).toHaveCount(1);
  await ayo.unroute(/files\?.*page=2/);
  await ayo.getByRole('button', { name: 'try again' }).click();
  await expect(pages(ayo)).toHaveCount(3);
  await expect(troubles(ayo)).toHaveCount(0);

  // A photo is turned, removed, and brought back; one more than the teacher allows is refused.
  const photo = await discFile.plain();
  await chooser(ayo).setInputFiles([file('photo.jpg', photo)]);
  await expect(pages(ayo)).toHaveCount(4);
  const shape = () => ayo.locator('.paper').evaluate((paper) => Math.sign(paper.clientWidth - paper.clientHeight));
  expect(await shape()).toBe(1);
  await ayo.getByRole('button', { name: 'turn it' }).click();
  await expect.poll(shape).toBe(-1);
  await ayo.getByRole('button', { name: 'remove it' }).click();
  await expect(pages(ayo)).toHaveCount(3);
  await ayo.keyboard.press('Control+z');
  await expect(pages(ayo)).toHaveCount(4);
  await chooser(ayo).setInputFiles([file('photo2.jpg', await discFile.mixed())]);
  await expect(ayo.getByText(/Your teacher has set how many pages made elsewhere/)).toBeVisible();
  await expect(pages(ayo)).toHaveCount(4);
  await saved(ayo);
  await ayo.reload();
  await drawn(ayo);
  await expect(ayo.getByText('Page 1 of 5')).toBeVisible();
  await pressed(ayo.getByRole('tab', { name: 'Work made elsewhere' }), ayo.getByRole('tabpanel'));
  await expect(pages(ayo)).toHaveCount(4);
  await ayo.getByRole('button', { name: 'Hand in', exact: true }).click();
  await ayo.getByRole('button', { name: 'Hand in anyway' }).click();
  await expect(ayo.getByRole('banner')).toContainText('Handed in');

  await teacher.reload();
  const card = teacher.locator('.spread_card').filter({ hasText: 'Ayo Bankole' });
  await expect(card).toContainText('4 pages made elsewhere');
  await card.click();
  await pressed(teacher.getByRole('button', { name: 'Page 3' }), teacher.getByText('page 2 of Übung μ.pdf'));
  await drawn(teacher);
  const href = await teacher.getByText('page 2 of Übung μ.pdf').getAttribute('href');
  const got = await teacher.request.get(`${house.url}${href}`);
  expect(got.headers()['content-disposition']).toContain('attachment');
  expect((await got.body()).equals(pdf)).toBe(true);
  // What was drawn is what stood in the file: words in a face that is not part of it, and a red field.
  const inks = await teacher.locator('.page-view image').evaluate(async (image) => {
    const shown = await createImageBitmap(await (await fetch(image.getAttribute('href')!)).blob());
    const canvas = new OffscreenCanvas(shown.width, shown.height);
    const context = canvas.getContext('2d')!;
    context.drawImage(shown, 0, 0);
    const share = (top: number, bottom: number, is: (r: number, g: number) => boolean) => {
      const { data } = context.getImageData(0, top * shown.height, shown.width, (bottom - top) * shown.height);
      let n = 0;
      for (let i = 0; i < data.length; i += 4) if (is(data[i], data[i + 1])) n++;
      return n / (data.length / 4);
    };
    return { words: share(0.05, 0.25, (r) => r < 100), field: share(0.36, 0.58, (r, g) => r > 150 && g < 110) };
  });
  expect(inks.words).toBeGreaterThan(0.02);
  expect(inks.field).toBeGreaterThan(0.4);
  await house.close();
});
