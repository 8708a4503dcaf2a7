import { Alert, Input } from 'antd';
import { useState } from 'react';
import { MOST_WORD } from '../../core/review/said';
import { Ask } from '../parts/ask';

type Props = {
  of: { busy: boolean; problem: string | null; send: (word: string) => void; stop: () => void };
  name: string;
};

/** Asks for a word to the student who has opened what is taken back. */
export default function RecallWord({ of, name }: Props) {
  const [word, setWord] = useState('');
  const may = word.trim() !== '' && !of.busy;
  return (
    <Ask
      title={`${name} has opened it`}
      ok={{ words: 'Take it back', act: () => may && of.send(word) }}
      onCancel={of.stop}
    >
      <p>Say in a word why you take it back. It stands on the piece until you return it again.</p>
      <Input.TextArea
        autoFocus
        autoSize={{ minRows: 2, maxRows: 5 }}
        aria-label="Why you take it back"
        maxLength={MOST_WORD}
        value={word}
        onChange={(event) => setWord(event.target.value)}
      />
      {of.problem && <Alert type="error" showIcon title={of.problem} role="alert" />}
    </Ask>
  );
}
