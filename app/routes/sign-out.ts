import { redirect } from 'react-router';
import { closeSession } from '../../server/stores/sign-in';
import { signedOut, tokenOf } from '../who.server';
import type { Route } from './+types/sign-out';

export const loader = () => redirect('/');

export async function action({ request, context }: Route.ActionArgs) {
  const token = await tokenOf(request, context);
  if (token) await closeSession(context.services.db, token);
  return signedOut(context, '/');
}
