import { zipSync, strToU8 } from 'fflate';
import type { Page } from '@playwright/test';
import { expect, House, test, signedIn } from './house';

/** Class lists from files: any columns, OneRoster, doubled names, and files that are none. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const choose = async (page: Page, ...files: { name: string; buffer: Buffer }[]) => {
  const field = page.getByLabel('Class list');
  await field.setInputFiles(files.map((file) => ({ ...file, mimeType: 'application/octet-stream' })));
};
const read = (page: Page) => page.getByRole('region', { name: 'From a file' });
const classCard = (page: Page, name: string) =>
  page.locator('section', { has: page.getByRole('heading', { name, exact: true }) });

async function classes(page: Page) {
  await page.goto('/classes');
  await page.waitForLoadState('networkidle');
}

test('a table is shown with its columns told; what is new is added, and two of one name are asked about', async ({
  browser,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await classes(page);
  const rows = Array.from({ length: 30 }, (_, i) => `${i};Étienne;N${String.fromCharCode(65 + (i % 26))}${i};Ruff`);
  const text = [
    'Nr;Given name;Surname;Class',
    '1;Ayo;Bankole;Curlew',
    '2;Μαρία;Παπά;Curlew',
    '3;Ana;Lind;Ruff',
    '4;Ana;Lind;Ruff',
    '5;;;Ruff',
    ...rows,
  ].join('\r\n');
  await choose(page, { name: 'list.csv', buffer: Buffer.from(text, 'utf8') });
  await expect(read(page).getByLabel('Column 2')).toHaveValue('first');
  await expect(read(page)).toContainText('36 rows in all, 1 without a name');
  await expect(read(page)).toContainText('1 new, 1 there already: Μαρία Παπά');
  await expect(read(page)).toContainText('Ana Lind stands here more than once.');
  await expect(read(page).getByRole('button', { name: 'Add 1 class and 32 students' })).toBeVisible();
  await read(page)
    .getByRole('checkbox', { name: /different children/ })
    .check();
  await read(page).getByRole('button', { name: 'Add 1 class and 33 students' }).click();
  await expect(page.getByRole('status')).toContainText(
    '1 class was added, 33 students were added and 1 was there already.',
  );
  await expect(read(page)).toHaveCount(0);
  const ruff = classCard(page, 'Ruff');
  await expect(ruff).toContainText('32 students');
  await expect(ruff.getByRole('button', { name: /^Ana Lind 2/ })).toBeVisible();
  await expect(classCard(page, 'Curlew').getByRole('button', { name: /^Μαρία Παπά/ })).toBeVisible();
});

test('columns are told by hand, and a list without classes goes where one says', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await classes(page);
  // Windows-1252.
  const buffer = Buffer.from('A1,4,Zo\xeb Lis\nA2,5,J\xfcrgen \xd8rn\n', 'latin1');
  await choose(page, { name: 'Knot.csv', buffer });
  await expect(read(page)).toContainText('Zoë Lis');
  await read(page).getByLabel('Column 3').selectOption('none');
  await expect(read(page)).toContainText('Say above which column holds the names.');
  await read(page).getByLabel('Column 3').selectOption('name');
  await read(page).getByLabel('Name of the class').fill('Knot 4');
  await read(page).getByRole('button', { name: 'Add 1 class and 2 students' }).click();
  await expect(classCard(page, 'Knot 4').getByRole('button', { name: /^Jürgen Ørn/ })).toBeVisible();
});

test('a OneRoster export is read from its ZIP; one class is left out', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await classes(page);
  const zip = zipSync({
    'manifest.csv': strToU8('propertyName,value\noneroster.version,1.2'),
    'users.csv': strToU8(
      'sourcedId,givenName,familyName,agentSourceIds,email\nu1,Ida,Frost,u3,\nu2,Omar,Haj,,\nu3,Eva,Frost,,eva@frost.example',
    ),
    'classes.csv': strToU8('sourcedId,title\nc1,Sanderling\nc2,Whimbrel'),
    'enrollments.csv': strToU8(
      'sourcedId,classSourcedId,userSourcedId,role\ne1,c1,u1,student\ne2,c2,u2,student\ne3,c2,u9,student',
    ),
  });
  await choose(page, { name: 'export.zip', buffer: Buffer.from(zip) });
  await expect(read(page)).toContainText('1 enrolment belongs to a student or class that is not in the files');
  await read(page).getByRole('checkbox', { name: 'Whimbrel' }).uncheck();
  await read(page).getByRole('button', { name: 'Add 1 class and 1 student' }).click();
  const sanderling = classCard(page, 'Sanderling');
  await expect(sanderling).toContainText('Ida Frost');
  // Where letters go came with it; what is typed instead is kept until it is right, and all of it can be deleted.
  await sanderling.getByRole('button', { name: /^Ida Frost/ }).click();
  await expect(sanderling).toContainText('Letters go to eva@frost.example');
  await sanderling.locator('[class*=family]').getByRole('button', { name: 'Change' }).click();
  await sanderling.getByLabel('E-mail of the family of Ida Frost').fill('eva@frost.example, ole@frost');
  await sanderling.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('“ole@frost” is no e-mail address.');
  await page.reload();
  await sanderling.getByRole('button', { name: /^Ida Frost/ }).click();
  await sanderling.getByLabel('E-mail of the family of Ida Frost').fill('ole@frost.example');
  await page.keyboard.press('Enter');
  await expect(sanderling).toContainText('Letters go to ole@frost.example');
  // The same list once more: it says something new of somebody who is there.
  await choose(page, { name: 'export.zip', buffer: Buffer.from(zip) });
  await read(page).getByRole('checkbox', { name: 'Whimbrel' }).uncheck();
  await expect(read(page)).toContainText('1 with an id and 1 with an address of the family');
  await read(page).getByRole('button', { name: 'Keep what it says of 1 student' }).click();
  await expect(sanderling).toContainText('Letters go to eva@frost.example, ole@frost.example');
  await sanderling.getByRole('button', { name: 'Delete the families’ addresses' }).click();
  await page.getByRole('button', { name: 'Delete them' }).click();
  await expect(sanderling).toContainText('No address of the family');
  // Enter saves what it was pressed in, and makes no card.
  await sanderling.getByRole('button', { name: 'Change the name' }).click();
  await sanderling.getByLabel('New name of Ida Frost').fill('Ida Frost-Lee');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('Ida Frost is called Ida Frost-Lee now.');
  await expect(classCard(page, 'Whimbrel')).toHaveCount(0);
});

test('what is no list says so, and what was chosen stays when the connection is lost', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await classes(page);
  const problem = read(page).getByRole('alert');
  await choose(page, { name: 'broken.zip', buffer: Buffer.from('PK\x03\x04 not a zip at all') });
  await expect(problem).toContainText('can’t be opened');
  await choose(page, { name: 'names.xlsx', buffer: Buffer.from('PK\x03\x04 a spreadsheet') });
  await expect(problem).toContainText('Save it as CSV first');
  await choose(page, { name: 'empty.csv', buffer: Buffer.from('\n\n') });
  await expect(problem).toContainText('is empty');
  await choose(page, {
    name: 'many.csv',
    buffer: Buffer.from(Array.from({ length: 10_000 }, (_, i) => `Name ${i} Long`).join('\n')),
  });
  await expect(read(page)).toContainText('10,000 rows in all');
  await read(page).getByLabel('Column 1').selectOption('name');
  await read(page)
    .getByRole('button', { name: /students$/ })
    .click();
  await expect(page.getByRole('alert').first()).toContainText('A class has at most 400 students');
  await choose(page, { name: 'Avocet.csv', buffer: Buffer.from('Name\nGus Vale\n') });
  const add = read(page).getByRole('button', { name: 'Add 1 student' });
  await expect(add).toBeVisible();
  await page.context().setOffline(true);
  await add.click();
  await expect(page.getByRole('alert').first()).toContainText('can’t be reached');
  await page.context().setOffline(false);
  await add.click();
  await expect(classCard(page, 'Avocet').getByRole('button', { name: /^Gus Vale/ })).toBeVisible();
});
