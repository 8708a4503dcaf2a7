import { refuse } from './who.server';

/** The answer to whoever asks for a file. @throws 429 where they have too many under way */
export async function asked(work: Promise<string | null>): Promise<Response> {
  const id = await work;
  if (!id) throw refuse(429, 'Three files are being made for you already. Wait for one of them, or stop it.');
  return Response.json({ id }, { status: 202 });
}

/** A file to be saved under a name: only ever downloaded, never shown as a page of ours. @param size in bytes, where it is known */
export const asFile = (body: BodyInit, type: string, name: string, size?: number): Response =>
  new Response(body, {
    headers: {
      'Content-Type': type,
      ...(size !== undefined && { 'Content-Length': `${size}` }),
      'Cache-Control': 'private, no-store',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });
