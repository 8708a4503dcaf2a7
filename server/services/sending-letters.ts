import { isOwn } from '../../core/pictures/picture';
import { letterSubject, letterText } from '../../core/review/letter';
import { fileName } from '../../core/items/name';
import { needsOf } from '../../core/sheet/needs';
import type { Means } from '../actions/means';
import { CrewProblem } from '../exports/crew';
import type { Exporter } from '../exports/exporter';
import type { Mailer } from '../post/mailer';
import { MailProblem } from '../post/mailer';
import { report } from '../process/report';
import type { Waiting } from '../stores/letters';
import { keepSent, senderOf, takeLetter } from '../stores/letters';
import { personById } from '../stores/people';
import { pictureFiles } from '../stores/pictures';
import { letterAbout } from '../views/letters-view';
import type { InTime } from './in-time';
import { inTime } from './in-time';

/**
 * Sends letters home one after another, away from the requests that asked for them. Every process looks for what waits; each letter
 * is taken by one, and tried again where that one stopped halfway.
 */

/** Milliseconds between two looks, where nobody says that there is something. */
const LOOK_EVERY = 20_000;
/** Seconds after which a letter that was begun is begun again. */
const LEASE = 180;

const GONE = 'The piece was taken back, or handed in again, before this was sent.';
const FAILED =
  'This letter could not be made. Send it once more; if it fails again, tell whoever looks after Dappled Margin.';

export const sendLettersInTime = (
  means: Means,
  exporter: Pick<Exporter, 'run'>,
  mailer: Mailer,
  every = LOOK_EVERY,
): InTime =>
  inTime(
    'letters',
    async (mayGoOn) => {
      while (mayGoOn() && (await sendNext(means, exporter, mailer)));
    },
    every,
  );

/** Sends the letter that waits longest. @returns whether there was one */
export async function sendNext(means: Means, exporter: Pick<Exporter, 'run'>, mailer: Mailer): Promise<boolean> {
  const letter = await takeLetter(means.db, LEASE);
  if (!letter) return false;
  await keepSent(means.db, letter.id, await problemSending(means, exporter, mailer, letter));
  return true;
}

async function problemSending(
  means: Means,
  exporter: Pick<Exporter, 'run'>,
  mailer: Mailer,
  { id, copyId, studentId, goId, senderId, address, words, shows }: Waiting,
): Promise<string | null> {
  const { db } = means;
  const sender = await senderOf(db, senderId);
  const student = (await personById(db, studentId))?.name ?? '';
  const writer = { name: sender?.name ?? '', schoolName: sender?.school ?? '' };
  try {
    const about = await letterAbout(means, writer, { studentId, student, copyId }, shows);
    if (about?.goId !== goId) return GONE;
    const { letter, feedback } = about;
    const own = await pictureFiles(db, needsOf(feedback.sheet).pictures.filter(isOwn));
    const pdf = await exporter.run({ kind: 'feedback', title: feedback.title, pieces: [feedback], own });
    await mailer.send(id, {
      from: { name: writer.name, address: sender?.email ?? 'nobody@dappled-margin.invalid' },
      to: address,
      subject: letterSubject(letter),
      text: letterText({ ...letter, words }),
      attachments: [{ name: `${fileName(feedback.title, 'piece')}.pdf`, type: 'application/pdf', bytes: pdf }],
    });
    return null;
  } catch (error) {
    if (error instanceof MailProblem || error instanceof CrewProblem) return error.message;
    report('a letter', error);
    return FAILED;
  }
}
