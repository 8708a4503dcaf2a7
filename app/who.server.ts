import { redirect } from 'react-router';
import type { AppLoadContext } from 'react-router';
import { missing as notThere, Refused } from '../server/actions/refused';
import { CrewProblem } from '../server/exports/crew';
import { tokenIn } from '../server/accounts/session-cookie';
import type { Services } from '../server/services/services';
import type { Person } from '../server/stores/people';
import type { From, SignedIn } from '../server/stores/sign-in';
import { knowDevice, openSession, personOf } from '../server/stores/sign-in';

/** Who is asking: every loader and action begins here. */

declare module 'react-router' {
  interface AppLoadContext {
    services: Services;
    /** The client's address; behind a trusted proxy, as that proxy reports it. */
    address: string;
    nonce?: string;
  }
}

export const tokenOf = (request: Request, { services }: AppLoadContext): Promise<string | null> =>
  tokenIn(services.cookies.session, request.headers.get('Cookie'));

export async function whoIs(request: Request, context: AppLoadContext): Promise<SignedIn | null> {
  const token = await tokenOf(request, context);
  return token ? ((await personOf(context.services.db, token)) ?? null) : null;
}

/** Where a sign-in attempt comes from. */
export const fromOf = async (request: Request, { services, address }: AppLoadContext): Promise<From> => ({
  address,
  device: await tokenIn(services.cookies.device, request.headers.get('Cookie')),
});

/** Where somebody chooses what they sign in with. */
const choosingPlace = (role: Person['role']) => (role === 'teacher' ? '/password' : '/secret');

/** Signs somebody in: sets the session cookie, and one that marks this device as theirs. */
export async function signedIn(
  request: Request,
  context: AppLoadContext,
  { person, mustChoose }: { person: Pick<Person, 'id' | 'role'>; mustChoose: boolean },
  to: string,
): Promise<Response> {
  const { db, cookies } = context.services;
  const { token, expires } = await openSession(db, person.id, person.role, mustChoose);
  const { device } = await fromOf(request, context);
  const headers = new Headers();
  headers.append('Set-Cookie', await cookies.session.serialize(token, { expires }));
  headers.append('Set-Cookie', await cookies.device.serialize(await knowDevice(db, person.id, device)));
  return redirect(mustChoose ? choosingPlace(person.role) : to, { headers });
}

export const signedOut = async ({ services }: AppLoadContext, to: string) =>
  redirect(to, { headers: { 'Set-Cookie': await services.cookies.session.serialize('', { maxAge: 0 }) } });

/** A message for the person, as an error page or, from a resource, as JSON. */
export const refuse = (status: number, message: string) => Response.json({ message }, { status });

/** Turns a failed heavy job into an answer that says why. @throws any other error */
export function refusedWork(error: unknown): Response {
  if (!(error instanceof CrewProblem)) throw error;
  return refuse(error.why === 'busy' ? 503 : 422, error.message);
}

/** Takes backgrounds away in the same way. */
export const clearing =
  (exporter: Services['exporter'], signal: AbortSignal) => (job: Parameters<Services['exporter']['clear']>[0]) =>
    exporter.clear(job, signal).catch((error: unknown) => {
      throw refusedWork(error);
    });

/** Opens ZIP files in the same way. */
export const unpacking = (exporter: Services['exporter'], signal: AbortSignal) => (bytes: Uint8Array) =>
  exporter.unpack(bytes, signal).catch((error: unknown) => {
    throw refusedWork(error);
  });

/** Reads picture files in, in a process of its own, for as long as whoever asked waits. */
export const readingIn =
  (exporter: Services['exporter'], signal: AbortSignal) => (file: Parameters<Services['exporter']['readIn']>[0]) =>
    exporter.readIn(file, signal).catch((error: unknown) => {
      throw refusedWork(error);
    });

export const missing = () => answerTo(notThere());

const answerTo = ({ status, message }: Refused) => refuse(status, message);

/** The result of a use case. @throws an answer with the reason if it was refused */
export async function allowed<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Refused) throw answerTo(error);
    throw error;
  }
}

/** The same for a form's action, which shows what is wrong with the input in place. */
export async function filledIn<T>(work: Promise<T>): Promise<T | { problem: string; field?: string }> {
  try {
    return await work;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    if (error.status === 422) return { problem: error.message, field: error.field };
    throw answerTo(error);
  }
}

/** The person, if they have this role. @throws a redirect to the front page for nobody, 403 for the other role. */
export async function requireRole(request: Request, context: AppLoadContext, role: Person['role']): Promise<Person> {
  const person = await requireAnybody(request, context);
  if (person.role !== role)
    throw refuse(403, role === 'teacher' ? 'This page is for teachers.' : 'This page is for students.');
  return person;
}

/** The person. @throws a redirect to the front page for nobody */
export async function requireAnybody(request: Request, context: AppLoadContext): Promise<Person> {
  const person = await whoIs(request, context);
  if (!person) throw redirect(`/?next=${encodeURIComponent(new URL(request.url).pathname)}`);
  if (person.mustChoose) throw redirect(choosingPlace(person.role));
  return person;
}

/** For requests made by script: 401 instead of a redirect. */
export async function requirePerson(request: Request, context: AppLoadContext): Promise<Person> {
  const person = await whoIs(request, context);
  if (!person) throw refuse(401, 'You are signed out. Sign in again in another tab; what you did is kept here.');
  if (person.mustChoose) throw refuse(403, 'Choose what you will sign in with first.');
  return person;
}

export async function requireTeacher(request: Request, context: AppLoadContext): Promise<Person> {
  const person = await requirePerson(request, context);
  if (person.role !== 'teacher') throw refuse(403, 'This is for teachers.');
  return person;
}

/** Where a sign-in leads: only to a page of ours. */
export const placeAfter = (next: FormDataEntryValue | string | null, role: Person['role']) =>
  typeof next === 'string' && /^\/[a-z]/.test(next) ? next : role === 'teacher' ? '/desk' : '/tray';
