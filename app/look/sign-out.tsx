import { Modal } from 'antd';
import { useState } from 'react';
import { Form } from 'react-router';
import { closeOtherWindows } from './windows';

/** Fetched when it is wanted: few sign out. */
const seal = () => import('../workbench/seal');

/** The way out. What is not saved yet is said first; it stays on this machine, sealed. */
export function SignOut({ personId }: { personId: string }) {
  const [unsent, setUnsent] = useState(0);
  const [problem, setProblem] = useState(false);
  const leave = async () => {
    setUnsent(0);
    setProblem(false);
    try {
      const { sealAll } = await seal();
      await closeOtherWindows(personId);
      await sealAll(personId);
      const { type } = await fetch('/sign-out', { method: 'POST', redirect: 'manual' });
      if (type !== 'opaqueredirect') throw new Error('not signed out');
    } catch {
      return setProblem(true);
    }
    // Loaded anew, nothing of this person is left in the window.
    window.location.replace('/');
  };
  const ask = async () => {
    const count = await seal()
      .then(({ unsentDocuments }) => unsentDocuments(personId))
      .catch(() => 0);
    if (count > 0) setUnsent(count);
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
        <button className="plainbtn" type="submit">
          Sign out
        </button>
      </Form>
      <Modal
        open={unsent > 0}
        title={unsent === 1 ? 'One sheet has work that is not saved' : `${unsent} sheets have work that is not saved`}
        okText="Sign out all the same"
        cancelText="Stay"
        onOk={() => void leave()}
        onCancel={() => setUnsent(0)}
      >
        To save it, stay and open {unsent === 1 ? 'the sheet' : 'each of them'} once more. If you sign out, it is locked
        away on this machine: nobody else can read it, and it comes back when you sign in here and open the sheet.
      </Modal>
      <Modal
        open={problem}
        title="You are still signed in"
        okText="Try again"
        cancelText="Stay"
        onOk={() => void leave()}
        onCancel={() => setProblem(false)}
      >
        The school can’t be reached. Sign out when the network is back.
      </Modal>
    </>
  );
}
