import { z } from 'zod';

/** What happens on the copies of a handout, as the server tells its teachers. */

const News = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('changes'), documentId: z.string() }),
  z.object({ kind: z.literal('moved'), documentId: z.string() }),
  z.object({ kind: z.literal('said'), documentId: z.string(), by: z.string() }),
  z.object({ kind: z.literal('gallery'), documentId: z.string() }),
  /** More happened than the server remembers. */
  z.object({ kind: z.literal('behind') }),
]);
export type HandoutNews = Exclude<z.infer<typeof News>, { kind: 'behind' }>;

/**
 * Follows a handout until the answer is called.
 * @param since when it was loaded, in milliseconds by the server's clock: what happened since is told first, also when the connection broke
 * @param back too much was missed to be told: all is to be asked for anew
 */
export function followHandout(
  handoutId: string,
  since: number,
  tell: (news: HandoutNews) => void,
  back: () => void,
): () => void {
  const stream = new EventSource(`/handouts/${handoutId}/live?since=${since}`);
  stream.onmessage = ({ data }) => {
    const read = News.safeParse(JSON.parse(data as string));
    if (!read.success) return;
    if (read.data.kind === 'behind') back();
    else tell(read.data);
  };
  return () => stream.close();
}
