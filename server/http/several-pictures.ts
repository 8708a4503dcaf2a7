import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type { RequestHandler } from 'express';
import { z } from 'zod';
import { PICTURE_ID } from '../../core/pictures/picture';

/** What shipped pictures are drawn with, several in one answer: a page of a hundred would else take a hundred requests. */

/** The most in one request. */
const MOST = 60;

const Asked = z
  .string()
  .transform((text) => text.split(','))
  .pipe(z.array(z.string().regex(PICTURE_ID)).max(MOST));

/**
 * Answers ?ids=SET/NAME,SET/NAME,… with a list in that order, with null for what there is not.
 * @param folder where the pictures lie, each as SET/NAME.json
 */
export const severalPictures =
  (folder: string): RequestHandler =>
  async (req, res) => {
    const asked = Asked.safeParse(req.query.ids);
    if (!asked.success) return void res.status(400).type('text/plain').send(`Ask for up to ${MOST} pictures by id.`);
    const texts = await Promise.all(
      asked.data.map((id) => readFile(path.join(folder, `${id}.json`), 'utf8').catch(() => 'null')),
    );
    res
      .type('json')
      .set('Cache-Control', 'public, max-age=3600')
      .send(`[${texts.join(',')}]`);
  };
