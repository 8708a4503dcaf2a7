import { Modal } from 'antd';
import { useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import type { Editor } from '../document/editor';
import type { Loaded } from '../student/entries';

/** Handing in: a last look at what is still missing, then everything is saved and the copy goes to the teacher. */

type Fetcher = Pick<FetcherWithComponents<unknown>, 'submit'>;

export function useHandIn(editor: Editor, { submit }: Fetcher) {
  const [asking, setAsking] = useState(false);
  const [sending, setSending] = useState(false);
  const handIn = async () => {
    setSending(true);
    const seq = await editor.settled();
    setSending(false);
    if (seq === null)
      return editor.say('Your changes are still kept here: the server does not answer. Hand in when it says “Saved”.');
    setAsking(false);
    void submit({ do: 'hand-in', seq: String(seq) }, { method: 'post' });
  };
  return { asking, setAsking, sending, handIn };
}

type Props = Pick<Loaded, 'lookFors' | 'results'> & { handing: ReturnType<typeof useHandIn> };

export function LastLook({ lookFors, results, handing }: Props) {
  const { asking, setAsking, sending, handIn } = handing;
  const lacking = lookFors.flatMap(({ id, title }, i) => {
    const result = results[i];
    return result?.held === false ? [{ id, title, result }] : [];
  });
  return (
    <Modal
      open={asking}
      title="A last look"
      okText={lacking.length ? 'Hand in anyway' : 'Hand in'}
      cancelText="Not yet"
      onCancel={() => setAsking(false)}
      onOk={() => void handIn()}
      confirmLoading={sending}
    >
      {lacking.length === 0 ? <p>Everything that can be counted is there.</p> : <p>This is still missing:</p>}
      <ul>
        {lacking.map(({ id, title, result }) => (
          <li key={id}>
            {title}{' '}
            <span className="quiet">
              ({result.got} of {result.need})
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet">You can take it back until your teacher begins to read it.</p>
    </Modal>
  );
}
