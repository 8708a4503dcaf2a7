import type { CDPSession } from '@playwright/test';
import { compartment, drawn, expect, handingTides, House, onPage, onSheet, saved, test } from './house';

/** By finger and pen: a blank opens at a tap, one finger draws, two zoom, and a hand may rest on the sheet beside a pen. */

type Spot = { x: number; y: number };
const between = (from: Spot, to: Spot, share: number): Spot => ({
  x: from.x + (to.x - from.x) * share,
  y: from.y + (to.y - from.y) * share,
});
const finger = (cdp: CDPSession, type: 'touchStart' | 'touchMove' | 'touchEnd', spots: Spot[]) =>
  cdp.send('Input.dispatchTouchEvent', { type, touchPoints: spots.map((spot, id) => ({ ...spot, id })) });
async function swipe(cdp: CDPSession, from: Spot, to: Spot): Promise<void> {
  await finger(cdp, 'touchStart', [from]);
  for (const share of [0.2, 0.5, 0.8, 1]) await finger(cdp, 'touchMove', [between(from, to, share)]);
  await finger(cdp, 'touchEnd', []);
}
async function penStroke(cdp: CDPSession, from: Spot, to: Spot): Promise<void> {
  const send = (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', spot: Spot) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      ...spot,
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      clickCount: 1,
      pointerType: 'pen',
      force: 0.8,
    });
  await send('mousePressed', from);
  for (const share of [0.3, 0.6, 1]) await send('mouseMoved', between(from, to, share));
  await send('mouseReleased', to);
}

test('a tap opens a blank, a finger draws, two fingers zoom, and beside a pen the hand draws nothing', async ({
  browser,
}) => {
  const house = await House.open();
  const teacher = await handingTides(browser, house);
  await teacher.getByRole('checkbox', { name: 'Pen', exact: true }).check();
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await teacher.waitForURL(/\/handouts\//);

  const context = await browser.newContext({
    viewport: { width: 1024, height: 640 },
    baseURL: house.url,
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto('/');
  await page.getByRole('button', { name: /Ayo/ }).tap();
  await page.waitForURL(/\/tray$/);
  await page
    .getByRole('link', { name: /Life between the tides/ })
    .first()
    .tap();
  await drawn(page);
  const blank = (await page.locator('.copy_tint').first().boundingBox())!;
  await page.touchscreen.tap(blank.x + blank.width / 2, blank.y + blank.height / 2);
  await page.keyboard.type('Ayo');
  await expect(onSheet(page)).toContainText('Ayo');
  await page.keyboard.press('Escape');

  const cdp = await context.newCDPSession(page);
  await compartment(page, 'Pen');
  await page.getByRole('tabpanel').getByRole('button').first().tap();
  const [a, b] = [await onPage(page, 80, 480), await onPage(page, 300, 560)];
  const things = page.locator('.page-view [data-item]');
  const before = await things.count();
  await swipe(cdp, a, b);
  await expect(things).toHaveCount(before + 1);
  // The hand that holds the pen rests on the sheet, and may have come down first.
  await penStroke(cdp, between(a, b, 0.1), between(a, b, 0.9));
  await expect(things).toHaveCount(before + 2);
  await swipe(cdp, b, a);
  await penStroke(cdp, b, between(a, b, 0.4));
  await expect(things).toHaveCount(before + 3);
  // A second finger ends what the first began, and draws nothing itself: the two zoom into the sheet.
  await page.getByRole('tabpanel').getByRole('button').first().tap();
  await finger(cdp, 'touchStart', [a]);
  await finger(cdp, 'touchMove', [between(a, b, 0.2)]);
  await finger(cdp, 'touchStart', [between(a, b, 0.2), b]);
  for (const share of [0.1, 0.2, 0.3, 0.4])
    await finger(cdp, 'touchMove', [between(a, b, 0.2 - share), between(a, b, 1 + share)]);
  await finger(cdp, 'touchEnd', []);
  await expect.poll(() => page.evaluate(() => window.visualViewport!.scale)).toBeGreaterThan(1.2);
  await expect(things).toHaveCount(before + 3);
  await saved(page);
  await context.close();
  await house.close();
});
