import { z } from 'zod';

/** What happens on the copies of a handout, as the server tells its teachers. */

const News = z.object({ documentId: z.string(), kind: z.string(), by: z.string().optional() });
export type HandoutNews = z.infer<typeof News>;

/**
 * Follows a handout until the answer is called.
 * @param back the connection is here again: what happened meanwhile was not told
 */
export function followHandout(handoutId: string, tell: (news: HandoutNews) => void, back: () => void): () => void {
  const stream = new EventSource(`/handouts/${handoutId}/live`);
  let broke = false;
  stream.onmessage = ({ data }) => {
    const read = News.safeParse(JSON.parse(data as string));
    if (read.success) tell(read.data);
  };
  stream.onerror = () => (broke = true);
  stream.onopen = () => {
    if (broke) back();
    broke = false;
  };
  return () => stream.close();
}
