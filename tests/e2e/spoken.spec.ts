import { chromium } from '@playwright/test';
import { CHROMIUM } from '../support/chromium';
import { drawn, enter, expect, readHeron, signedIn, test } from './house';

/** Notes that are spoken, with a microphone that the browser plays itself. */

const MICROPHONE = ['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'];

test('a note is spoken without a network, is still there after a reload, and is heard by the student once it came back', async ({
  browser,
  house,
}) => {
  const speaking = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, ...MICROPHONE] });
  try {
    const page = await signedIn(speaking, house, 'Maren');
    await page.context().grantPermissions(['microphone']);
    await readHeron(page, 'Dara Kowal');
    await page.keyboard.press('w');
    const draft = page.getByRole('region', { name: 'A new note' });
    // Nothing is there yet to be saved.
    await expect(draft.getByRole('button', { name: 'Save' })).toBeDisabled();
    await draft.getByRole('button', { name: 'Record' }).click();
    await expect(draft.getByRole('status')).toContainText('0:02 of 1:00');
    await page.context().setOffline(true);
    await draft.getByRole('button', { name: 'Stop' }).click();
    await expect(draft.locator('audio')).toBeVisible();
    await draft.getByRole('button', { name: 'Save' }).click();
    const note = page.getByRole('region', { name: 'Your note' });
    await expect(note).toContainText('On its way');
    const lasts = () =>
      note.locator('audio').evaluate(async (audio: HTMLAudioElement) => {
        await audio.play();
        audio.pause();
        return audio.readyState >= 2;
      });
    expect(await lasts()).toBe(true);
    await page.context().setOffline(false);
    await expect(note).not.toContainText('On its way');
    await page.reload();
    await drawn(page);
    await expect(note.locator('audio')).toHaveAttribute('src', /^\/notes\//);
    expect(await lasts()).toBe(true);

    // What is spoken while one goes on to another piece is a draft of that piece.
    await page.keyboard.press('w');
    await draft.getByRole('button', { name: 'Record' }).click();
    await expect(draft.getByRole('status')).toContainText('0:01 of 1:00');
    await page.keyboard.press('Escape');
    await page
      .getByRole('navigation', { name: 'The class' })
      .getByRole('link', { name: /Chidi M/ })
      .click();
    await expect(page).toHaveTitle(/^Chidi Mbeki/);
    await page.goBack();
    await expect(draft.locator('audio')).toBeVisible();
    await draft.getByRole('button', { name: 'Discard' }).click();

    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Return as done' }).click();
    await expect(page.getByText(/Dara Kowal: returned as done/)).toBeVisible();
    const student = await enter(browser, house, 'Dara');
    await student.locator('.tray_copy', { hasText: 'grey heron' }).first().click();
    await drawn(student);
    await expect(student.getByLabel(/^Spoken note, 0:0\d/)).toBeVisible();
  } finally {
    await speaking.close();
  }
});
