import type { Page } from '@playwright/test';
import { discFile } from '../support/own';
import { blankPage, compartment, expect, field, leaf, press, saved, signedIn, stack, test, unfolded } from './house';

/** Pictures edited in place: replaced, cropped, coloured. */

let page: Page;
test.beforeAll(async ({ browser, house }) => {
  page = await signedIn(browser, house, 'Maren');
});
test.beforeEach(() => blankPage(page));

async function added(name: string): Promise<void> {
  await compartment(page, 'Pictures');
  const before = await stack(page).count();
  await page.getByLabel('Find a picture').fill(name);
  await found(name).click();
  await expect(stack(page)).toHaveCount(before + 1);
}
const found = (name: string) =>
  page.locator('.drawer_picturesFound').getByRole('button', { name, exact: true }).first();
const setTo = async (name: string, value: string) => {
  await field(page, name).fill(value);
  await field(page, name).press('Enter');
};
/** Where it is and how large, as its card says. */
async function place(): Promise<string[]> {
  await leaf(page, 'Place');
  const values = await Promise.all(
    ['from left', 'from top', 'width', 'height', 'rotate', 'opacity'].map((name) => field(page, name).inputValue()),
  );
  await leaf(page, 'Look');
  return values;
}
const called = () => page.getByLabel('What the picture shows');
const replaced = () => page.getByText('The picture was replaced.');

test('another picture takes the place of one, by button, from the drawer and from a file', async () => {
  await added('hedgehog');
  await leaf(page, 'Place');
  await setTo('rotate', '12');
  await setTo('opacity', '60');
  await setTo('width', '40 mm');
  const before = await place();
  await page.getByRole('button', { name: /^Put another picture in its place/ }).click();
  await page.getByRole('textbox', { name: 'Find another picture' }).fill('fox');
  await page.locator('.kit_picturePickFound').getByRole('button', { name: 'fox', exact: true }).click();
  await expect(called()).toHaveValue('fox');
  await expect(replaced()).toBeVisible();
  expect(await place()).toEqual(before);

  // Dropped on it, while it is lit up.
  await page.getByLabel('Find a picture').fill('owl');
  const frame = (await page.locator('.mark-frame').boundingBox())!;
  await found('owl').hover();
  await page.mouse.down();
  for (const share of [0.3, 0.4, 0.5])
    await page.mouse.move(frame.x + frame.width * share, frame.y + frame.height / 2, { steps: 3 });
  await expect(page.locator('.mark-hold')).toHaveCount(1);
  await page.mouse.up();
  await expect(called()).toHaveValue('owl');
  expect(await place()).toEqual(before);
  await expect(stack(page)).toHaveCount(1);

  const bytes = [...(await discFile.clear())];
  await page.locator('.paper').evaluate((paper, list) => {
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(list)], 'orange disc.png', { type: 'image/png' }));
    const { left, top, width, height } = document.querySelector('.mark-frame')!.getBoundingClientRect();
    const at = { clientX: left + width / 2, clientY: top + height / 2, bubbles: true, cancelable: true };
    paper.dispatchEvent(new DragEvent('dragover', { dataTransfer: data, ...at }));
    paper.dispatchEvent(new DragEvent('drop', { dataTransfer: data, ...at }));
  }, bytes);
  await expect(page.locator('.page-view image')).toHaveCount(1);
  await expect(called()).toHaveValue('orange disc');
  expect(await place()).toEqual(before);

  for (const name of ['owl', 'fox', 'hedgehog']) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(called()).toHaveValue(name);
  }
  await saved(page);
});

test('a picture is cropped by its handles and moved in its frame; the rest shows faintly meanwhile', async () => {
  await added('hedgehog');
  await press(page, 5, 5);
  const marks = page.locator('.mark-frame');
  const paper = async () => (await page.locator('.paper').boundingBox())!;
  const image = page.locator('.paper');
  await page.keyboard.press('Enter');
  await expect(marks).toHaveCount(1);
  const middle = async () => {
    const [frame, around] = [(await marks.boundingBox())!, await paper()];
    return { x: frame.x + frame.width / 2 - around.x, y: frame.y + frame.height / 2 - around.y };
  };
  const at = await middle();
  await image.dblclick({ position: at });
  await expect(page.locator('.crop-ghost')).toHaveCount(1);
  const wide = (await marks.boundingBox())!.width;
  const grip = (await page.locator('[data-grip="size 1 0"]').boundingBox())!;
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(grip.x - wide * 0.4, grip.y + 4, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await marks.boundingBox())!.width).toBeLessThan(wide * 0.7);
  await expect(page.locator('.page-view clipPath')).toHaveCount(1);
  await expect(page.getByRole('button', { name: /^Show all of the picture/ })).toBeVisible();

  const pictureAt = () => page.locator('.page-view path').last().boundingBox();
  const before = (await pictureAt())!;
  const from = await middle();
  const around = await paper();
  await page.mouse.move(around.x + from.x, around.y + from.y);
  await page.mouse.down();
  await page.mouse.move(around.x + from.x - 15, around.y + from.y, { steps: 3 });
  await page.mouse.up();
  await expect.poll(async () => (await pictureAt())!.x).toBeLessThan(before.x - 8);
  await page.keyboard.press('Enter');
  await expect(page.locator('.crop-ghost')).toHaveCount(0);
  // Now arrows move the frame again.
  const left = (await marks.boundingBox())!.x;
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await marks.boundingBox())!.x).toBeGreaterThan(left + 3);
  await page.getByRole('button', { name: /^Show all of the picture/ }).click();
  await expect(page.locator('.page-view clipPath')).toHaveCount(0);
  await saved(page);
});

test('the colours of drawings are changed one by one, all at once, and given back', async () => {
  await added('hedgehog');
  const fills = () =>
    // Without the page itself.
    page
      .locator('.page-view path[fill^="#"]')
      .evaluateAll((all) => all.slice(1).map((one) => one.getAttribute('fill')));
  const own = await fills();
  await unfolded(page, 'Colours');
  const change = page.getByRole('button', { name: /^Change / }).first();
  await change.click();
  await page.getByRole('radiogroup', { name: 'becomes' }).getByRole('radio').nth(3).click();
  const one = await fills();
  expect(one.filter((hex, i) => hex !== own[i]).length).toBeGreaterThan(0);
  expect(one.filter((hex, i) => hex === own[i]).length).toBeGreaterThan(0);

  // Several at once: what one of them was given stays until all are given something.
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+d');
  await expect(stack(page)).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await leaf(page, 'Look');
  await unfolded(page, 'Colours');
  await page.getByRole('button', { name: 'In the palette’s colours' }).click();
  const both = await fills();
  expect(both.slice(0, own.length)).toEqual(both.slice(own.length));
  expect(both.some((hex) => own.includes(hex))).toBe(false);
  await page.getByRole('button', { name: 'Its own colours again' }).click();
  await expect.poll(fills).toEqual([...own, ...own]);
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Delete');
  await expect(stack(page)).toHaveCount(0);
});
