import { Button, Input } from 'antd';
import { useEffect } from 'react';
import { useFetcher } from 'react-router';
import { z } from 'zod';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import type { Answer, Fields } from './acting';
import styles from './folders.module.css';

type Props = {
  personId: string;
  /** What is sent along with the name. */
  fields: Fields;
  verb: string;
  /** The name it has now. */
  now?: string;
  /** `folderId`: the folder that was made. */
  onDone: (folderId?: string) => void;
};

/** A name to type. It stays in the browser until it is taken or given up. */
export default function NameForm({ personId, fields, verb, now = '', onDone }: Props) {
  const [typed, setTyped] = useKept(personId, `desk/folder/${fields.folderId ?? 'new'}`, z.string());
  const fetcher = useFetcher<Answer>();
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  useEffect(() => {
    if (!answer || answer.problem !== null) return;
    setTyped(null);
    onDone(answer.folderId);
  }, [answer]); // eslint-disable-line react-hooks/exhaustive-deps
  const leave = () => {
    setTyped(null);
    onDone();
  };
  return (
    <fetcher.Form method="post" action="/desk" className={styles.naming}>
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <Input
        name="name"
        aria-label="Name of the folder"
        placeholder="Name of the folder"
        autoFocus
        maxLength={60}
        status={answer?.problem ? 'error' : undefined}
        value={typed ?? now}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && leave()}
      />
      <Button htmlType="submit" loading={fetcher.state !== 'idle'}>
        {verb}
      </Button>
      <Action onClick={leave}>cancel</Action>
      {answer?.problem && (
        <span role="alert" className={styles.problem}>
          {answer.problem}
        </span>
      )}
    </fetcher.Form>
  );
}
