import { nanoid } from 'nanoid';
import { useRef, useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import { wasUnreached } from '../browser/reached';
import type { Editor } from '../document/editor';

/** Asking whether answers are right: everything is saved first, and one asking is sent again as the same until it is answered. */
export function useChecking(editor: Editor, { submit, formData, data }: Fetcher) {
  const [saving, setSaving] = useState<string | null>(null);
  const last = useRef<{ lookFor: string; asked: string } | null>(null);
  const checkAnswers = async (lookFor: string) => {
    setSaving(lookFor);
    const seq = await editor.settled();
    setSaving(null);
    if (seq === null) return editor.say('The server does not answer. Check again when it says “Saved”.');
    // Not answered, it may have been counted all the same.
    const again = wasUnreached(data) && last.current?.lookFor === lookFor ? last.current.asked : null;
    const asked = again ?? nanoid(12);
    last.current = { lookFor, asked };
    void submit({ do: 'check', lookFor, asked, seq: String(seq) }, { method: 'post' });
  };
  const sent = formData?.get('do') === 'check' ? String(formData.get('lookFor')) : null;
  return { checking: saving ?? sent, checkAnswers };
}
type Fetcher = Pick<FetcherWithComponents<unknown>, 'submit' | 'formData' | 'data'>;
export type Checking = ReturnType<typeof useChecking>;
