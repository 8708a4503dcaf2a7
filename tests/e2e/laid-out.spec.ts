import { discFile } from '../support/own';
import { pdfOf } from '../support/pdf';
import { compartment, drawn, expect, handingTides, House, onSheet, saved, test, tidesOfAyo } from './house';

/** The shelf of a handout: a teacher lays pictures out and lets students upload their own; a student finds just those. */

test('pictures are laid out for a handout, kept while it is written, and are all that its students find', async ({
  browser,
}) => {
  const house = await House.open();
  const teacher = await handingTides(browser, house);
  await teacher.getByRole('checkbox', { name: 'Pictures', exact: true }).check();
  const laid = teacher.getByRole('group', { name: 'Pictures for students' });
  await laid.getByRole('checkbox', { name: 'No other pictures' }).check();
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await expect(teacher.locator('.hand-out_send').getByRole('alert')).toContainText('Students would find no picture.');
  await laid.getByRole('button', { name: 'lay out pictures …' }).click();
  for (const name of ['crab', 'octopus']) {
    await laid.getByRole('textbox', { name: 'Find a picture to lay out' }).fill(name);
    await laid.getByRole('button', { name, exact: true }).first().click();
  }
  await laid.getByLabel('Files with pictures').setInputFiles([
    { name: 'Muschel.png', mimeType: '', buffer: await discFile.clear() },
    { name: 'notes.png', mimeType: '', buffer: Buffer.from('words') },
  ]);
  await expect(laid.getByRole('alert')).toContainText('“notes.png”: This is no PNG');
  const row = laid.getByRole('list', { name: 'Pictures laid out' }).getByRole('button');
  await expect(row).toHaveCount(3);
  await laid.getByRole('checkbox', { name: 'Students may upload their own' }).check();
  await teacher.reload();
  await expect(row).toHaveCount(3);
  await row.nth(1).click();
  await expect(row).toHaveCount(2);
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await teacher.waitForURL(/\/handouts\//);

  const ayo = await tidesOfAyo(browser, house);
  const things = () => onSheet(ayo).getByRole('listitem');
  await expect(things()).not.toHaveCount(0);
  const given = await things().count();
  await compartment(ayo, 'Pictures');
  const found = ayo.locator('.drawer_picturesFound').locator('[data-supply]');
  await expect(found).toHaveCount(2);
  await expect(ayo.getByRole('button', { name: 'For this sheet' })).toHaveAttribute('aria-pressed', 'true');
  await found.first().click();
  await expect(things()).toHaveCount(given + 1);
  await ayo.getByRole('textbox', { name: 'Find a picture' }).fill('fox');
  await expect(ayo.getByText('No picture is called “fox”.')).toBeVisible();
  await ayo.getByRole('textbox', { name: 'Find a picture' }).fill('');

  // A picture of one's own: dropped on the sheet, over a lost connection first.
  const drop = (name: string, bytes: Buffer) =>
    ayo.locator('.paper').evaluate(
      (paper, [called, list]) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(list)], called));
        const { left, top } = paper.getBoundingClientRect();
        const at = { clientX: left + 20, clientY: top + 20, bubbles: true, cancelable: true };
        paper.dispatchEvent(new DragEvent('drop', { dataTransfer: data, ...at }));
      },
      [name, [...bytes]] as const,
    );
  await ayo.route('**/pictures?*', (route) => route.abort());
  await drop('Übung μ.jpg', await discFile.plain());
  await expect(ayo.getByText(/“Übung μ.jpg”: The school’s server can’t be reached/)).toBeVisible();
  await ayo.unroute('**/pictures?*');
  await drop('Übung μ.jpg', await discFile.plain());
  await expect(things()).toHaveCount(given + 2);
  await expect(onSheet(ayo)).toContainText('Übung μ');
  await drop('tides.pdf', await pdfOf(['one']));
  await expect(ayo.getByText('“tides.pdf” is no picture')).toBeVisible();
  await saved(ayo);
  await ayo.reload();
  await drawn(ayo);
  await expect(things()).toHaveCount(given + 2);
  await compartment(ayo, 'Pictures');
  await ayo.getByRole('button', { name: 'Uploaded' }).click();
  await expect(found).toHaveCount(1);
  await ayo.getByRole('button', { name: /^About “Übung μ”/ }).click();
  const about = ayo.getByRole('form', { name: /Übung μ/ });
  await expect(about.getByText('Share with teachers')).toHaveCount(0);
  await about.getByLabel('Name').fill('my crab');
  await about.getByRole('button', { name: 'Save' }).click();
  await expect(found).toHaveAccessibleName('my crab');
  await house.close();
});
