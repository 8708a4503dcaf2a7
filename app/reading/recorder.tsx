import { lengthWords } from '../../core/review/spoken';
import type { MouseEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import type { Spoken } from '../../core/review/said';
import { MOST_SECONDS, MOST_SOUND, SOUND_TYPES } from '../../core/review/said';
import type { Draft } from '../keeping/sender';
import { Action } from '../parts/action';
import { Heard } from '../parts/heard';
import { keptSound } from './kept-sound';
import styles from './recorder.module.css';
import type { Writing } from './writing';

/** Speaks a note instead of writing it, or beside it. What was spoken is kept with the draft, also when one goes on meanwhile. */

type Props = { personId: string; draft: Draft; onRecord: Writing['record'] };

/** Speech is clear at this many bits a second. */
const BITS = 24_000;
/** Bytes after which a recording ends, where a browser takes more than it was asked for. */
const MOST_BYTES = Math.floor((MOST_SOUND * 3) / 4) - 20_000;
/** Milliseconds. Shorter ones are a slip of the finger. */
const SHORTEST = 300;

const typeOf = (kind: string): Spoken['type'] | undefined => SOUND_TYPES.find((type) => kind.startsWith(type));

const WHY: Record<string, string> = {
  NotAllowedError:
    'The microphone may not be used here. Allow it beside the address of this page, then press Record again.',
  NotFoundError: 'No microphone was found. Connect one, then press Record again.',
};

async function base64Of(blob: Blob): Promise<string> {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('The recording could not be read.'));
    reader.readAsDataURL(blob);
  });
  return url.slice(url.indexOf(',') + 1);
}

export default function Recorder({ personId, draft, onRecord }: Props) {
  const [begun, setBegun] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  // What is recorded belongs to the draft as it is when the recording ends.
  const latest = useRef({ draft, onRecord });
  useEffect(() => {
    latest.current = { draft, onRecord };
  }, [draft, onRecord]);
  useEffect(() => () => stop(recorder.current), []);
  useEffect(() => {
    if (begun === null) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [begun]);

  const begin = async () => {
    setProblem(null);
    // Not there where the page did not come over https.
    const devices = navigator.mediaDevices as MediaDevices | undefined;
    if (!devices || typeof MediaRecorder === 'undefined')
      return setProblem('This browser records nothing on this page: it has to come over https.');
    let stream: MediaStream;
    try {
      stream = await devices.getUserMedia({ audio: true });
    } catch (error) {
      return setProblem(WHY[(error as Error).name] ?? 'The microphone could not be used. Press Record again.');
    }
    const mimeType = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus'].find((type) =>
      MediaRecorder.isTypeSupported(type),
    );
    const media = new MediaRecorder(stream, { mimeType, audioBitsPerSecond: BITS });
    recorder.current = media;
    const from = Date.now();
    const parts: Blob[] = [];
    let bytes = 0;
    const limit = setTimeout(() => stop(media), MOST_SECONDS * 1000);
    media.ondataavailable = ({ data }) => {
      parts.push(data);
      bytes += data.size;
      if (bytes > MOST_BYTES) stop(media);
    };
    media.onstop = () => {
      clearTimeout(limit);
      for (const track of stream.getTracks()) track.stop();
      recorder.current = null;
      setBegun(null);
      const seconds = (Date.now() - from) / 1000;
      const type = typeOf(media.mimeType);
      if (!type || seconds * 1000 < SHORTEST)
        return setProblem('That was too short to hear. Press Record, then speak.');
      void base64Of(new Blob(parts, { type })).then((sound) =>
        latest.current.onRecord(latest.current.draft, { spoken: { seconds, type }, sound }),
      );
    };
    media.start(1000);
    setNow(from);
    setBegun(from);
  };

  if (begun !== null)
    return (
      <span className={styles.recorder}>
        <span className={styles.on} role="status">
          Recording {lengthWords({ seconds: (now - begun) / 1000 })} of {lengthWords({ seconds: MOST_SECONDS })}
        </span>
        <Action autoFocus onClick={() => stop(recorder.current)}>
          stop
        </Action>
      </span>
    );
  return (
    <span className={styles.recorder}>
      {draft.spoken ? (
        <>
          <Heard spoken={draft.spoken} src={keptSound(personId, draft.note, draft.spoken)} />
          <Action onMouseDown={keepFocus} onClick={() => onRecord(draft, null)}>
            delete what was spoken
          </Action>
        </>
      ) : (
        <Action onMouseDown={keepFocus} onClick={() => void begin()}>
          record
        </Action>
      )}
      {problem && <span role="alert">{problem}</span>}
    </span>
  );
}

/** The phrases under the text go with its focus, and what is pressed would move away. */
const keepFocus = (event: MouseEvent) => event.preventDefault();

const stop = (media: MediaRecorder | null) => {
  if (media && media.state !== 'inactive') media.stop();
};
