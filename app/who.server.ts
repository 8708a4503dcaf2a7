import { redirect } from 'react-router';
import type { AppLoadContext } from 'react-router';
import { CrewProblem } from '../server/exports/crew';
import { tokenIn } from '../server/http/session-cookie';
import type { Services } from '../server/services';
import type { Person } from '../server/stores/people';
import { openSession, personOf } from '../server/stores/people';

/** Who is asking: every loader and action begins here. */

declare module 'react-router' {
  interface AppLoadContext {
    services: Services;
    /** Where the request comes from; behind a proxy of one's own, what that proxy says. */
    address: string;
    nonce?: string;
  }
}

export const tokenOf = (request: Request, { services }: AppLoadContext): Promise<string | null> =>
  tokenIn(services.cookies.session, request.headers.get('Cookie'));

export async function whoIs(request: Request, context: AppLoadContext): Promise<Person | null> {
  const token = await tokenOf(request, context);
  return token ? ((await personOf(context.services.db, token)) ?? null) : null;
}

export async function signedIn(
  context: AppLoadContext,
  person: Pick<Person, 'id' | 'role'>,
  to: string,
): Promise<Response> {
  const { token, expires } = await openSession(context.services.db, person.id, person.role);
  return redirect(to, {
    headers: { 'Set-Cookie': await context.services.cookies.session.serialize(token, { expires }) },
  });
}

export const signedOut = async ({ services }: AppLoadContext, to: string) =>
  redirect(to, { headers: { 'Set-Cookie': await services.cookies.session.serialize('', { maxAge: 0 }) } });

/** A message for the person, as an error page or, from a resource, as JSON. */
export const refuse = (status: number, message: string) => Response.json({ message }, { status });

/** Heavy work that was not done: who asked is told why. @throws what is wrong with the work itself, as it is */
export function refusedWork(error: unknown): Response {
  if (!(error instanceof CrewProblem)) throw error;
  return refuse(error.why === 'busy' ? 503 : 422, error.message);
}

export const missing = () => refuse(404, 'There is nothing here, or it is not yours to see.');

/** The person, if they have this role. @throws a redirect to the front page for nobody, 403 for the other role. */
export async function requireRole(request: Request, context: AppLoadContext, role: Person['role']): Promise<Person> {
  const person = await whoIs(request, context);
  if (!person) throw redirect(`/?next=${encodeURIComponent(new URL(request.url).pathname)}`);
  if (person.role !== role)
    throw refuse(403, role === 'teacher' ? 'This place is for teachers.' : 'This place is for students.');
  return person;
}

/** For requests made by script: 401 instead of a redirect. */
export async function requirePerson(request: Request, context: AppLoadContext): Promise<Person> {
  const person = await whoIs(request, context);
  if (!person) throw refuse(401, 'You are signed out. Sign in again in another tab; what you did is kept here.');
  return person;
}

/** Where a sign-in leads: only to a place of our own. */
export const placeAfter = (next: FormDataEntryValue | string | null, role: Person['role']) =>
  typeof next === 'string' && /^\/[a-z]/.test(next) ? next : role === 'teacher' ? '/desk' : '/tray';
