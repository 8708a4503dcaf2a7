import { useState } from 'react';
import { FileButton } from '../fields/file-button';
import type { PictureEntry } from './picture-index';
import { bringPicture } from './picture-index';
import styles from './pictures.module.css';

type Props = {
  onBrought: (entry: PictureEntry) => void;
  /** Says what is wrong with a file; else it stands below the button. */
  onProblem?: (words: string) => void;
};

/** The button that uploads a picture. */
export function BringPicture({ onBrought, onProblem }: Props) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  async function bring(file: File) {
    setBusy(true);
    setProblem(null);
    const brought = await bringPicture(file);
    setBusy(false);
    if (typeof brought === 'string') (onProblem ?? setProblem)(brought);
    else onBrought(brought);
  }
  return (
    <div className={styles.bring}>
      <FileButton
        label="Upload a picture: a PNG, JPEG or WebP file"
        field="File with a picture"
        accept="image/png,image/jpeg,image/webp"
        disabled={busy}
        onFile={(file) => void bring(file)}
      >
        {busy ? 'uploading …' : 'upload a picture …'}
      </FileButton>
      {problem && (
        <p className={styles.bringProblem} role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
