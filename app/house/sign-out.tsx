import { Action } from '../parts/action';
import { Ask } from '../parts/ask';
import { useState } from 'react';
import { Form } from 'react-router';
import type { Unsent } from '../keeping/seal';
import { closeOtherWindows } from '../keeping/windows';
import { forgetPages } from '../offline/offline';

/** Loaded when needed: few people sign out. */
const seal = () => import('../keeping/seal');

const NOTHING: Unsent = { documents: 0, words: 0 };
function titleOf({ documents, words }: Unsent): string {
  if (documents === 0) return words === 1 ? 'Something you wrote is not sent' : 'Some of what you wrote is not sent';
  return documents === 1 ? 'One sheet has work that is not saved' : `${documents} sheets have work that is not saved`;
}

/** Signing out. Unsaved work is mentioned first; it stays on this computer, encrypted. */
export function SignOut({ personId }: { personId: string }) {
  const [unsent, setUnsent] = useState<Unsent>(NOTHING);
  const [problem, setProblem] = useState(false);
  const leave = async () => {
    setUnsent(NOTHING);
    setProblem(false);
    try {
      const { sealAll } = await seal();
      await closeOtherWindows(personId);
      await sealAll(personId);
      const { type } = await fetch('/sign-out', { method: 'POST', redirect: 'manual' });
      if (type !== 'opaqueredirect') throw new Error('not signed out');
      await forgetPages();
    } catch {
      return setProblem(true);
    }
    // The page is reloaded, so that nothing of this person is left in the window.
    window.location.replace('/');
  };
  const ask = async () => {
    const now = await seal()
      .then(({ unsentOf }) => unsentOf(personId))
      .catch(() => NOTHING);
    if (now.documents + now.words > 0) setUnsent(now);
    else await leave();
  };
  return (
    <>
      <Form
        method="post"
        action="/sign-out"
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        <Action type="submit">Sign out</Action>
      </Form>
      {unsent.documents + unsent.words > 0 && (
        <Ask
          title={titleOf(unsent)}
          ok={{ words: 'Sign out anyway', act: () => void leave() }}
          cancel="Stay"
          onCancel={() => setUnsent(NOTHING)}
        >
          {unsent.documents > 0 &&
            `To save it, stay and open ${unsent.documents === 1 ? 'the sheet' : 'each of them'} once more. `}
          If you sign out, it is locked away on this machine: nobody else can read it, and it comes back when you sign
          in here again.
        </Ask>
      )}
      {problem && (
        <Ask
          title="You are still signed in"
          ok={{ words: 'Try again', act: () => void leave() }}
          cancel="Stay"
          onCancel={() => setProblem(false)}
        >
          The school can’t be reached. Sign out when the network is back.
        </Ask>
      )}
    </>
  );
}
