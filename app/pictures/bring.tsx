import { useState } from 'react';
import { FileButton } from '../fields/file-button';
import type { PictureEntry } from './picture-index';
import { bringPictures } from './picture-index';
import styles from './pictures.module.css';

/** What a picture can be uploaded as. */
export const PICTURE_FILES = 'image/png,image/jpeg,image/webp,image/gif,image/svg+xml,.svg,.zip,application/zip';

type Props = {
  onBrought: (entries: readonly PictureEntry[]) => void;
  /** Says what is wrong with files; else it stands below the button. */
  onProblem?: (words: string) => void;
  /** Only one is wanted. */
  single?: boolean;
};

/** The button that uploads pictures. */
export function BringPictures({ onBrought, onProblem, single = false }: Props) {
  const [busy, setBusy] = useState<{ done: number; of: number } | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  async function bring(files: readonly File[]) {
    setBusy({ done: 0, of: files.length });
    setProblems([]);
    const { entries, said } = await bringPictures(files, (done) => setBusy({ done, of: files.length }));
    setBusy(null);
    if (said.length > 0) {
      if (onProblem) onProblem(said.join(' '));
      else setProblems(said);
    }
    if (entries.length > 0) onBrought(entries);
  }
  const counted = busy && busy.of > 1 ? ` ${busy.done + 1} of ${busy.of}` : '';
  return (
    <div className={styles.bring}>
      <FileButton
        label={
          single
            ? 'Upload a picture: a PNG, JPEG, WebP, GIF or SVG file'
            : 'Upload pictures: PNG, JPEG, WebP, GIF or SVG files, or a ZIP file of them'
        }
        field="Files with pictures"
        accept={PICTURE_FILES}
        disabled={busy !== null}
        {...(single ? { onFile: (file) => void bring([file]) } : { onFiles: (files) => void bring(files) })}
      >
        {busy ? `uploading${counted} …` : single ? 'upload a picture …' : 'upload pictures …'}
      </FileButton>
      {problems.length > 0 && (
        <ul className={styles.bringProblem} role="alert">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
