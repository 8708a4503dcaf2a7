import type { ReactNode } from 'react';
import { useRef } from 'react';
import { Toggle } from './toggle';

type Props = {
  /** What a press does. */
  label: string;
  /** Accessible name of the field that holds the file. */
  field: string;
  accept: string;
  disabled?: boolean;
  onFile?: (file: File) => void;
  /** Where several can be chosen at once. */
  onFiles?: (files: readonly File[]) => void;
  children: ReactNode;
};

/** A button that asks for a file, or for several. The same file can be chosen again. */
export function FileButton({ label, field, accept, disabled, onFile, onFiles, children }: Props) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={file}
        type="file"
        hidden
        multiple={onFiles !== undefined}
        accept={accept}
        aria-label={field}
        onChange={(event) => {
          const chosen = [...(event.target.files ?? [])];
          event.target.value = '';
          if (chosen.length === 0) return;
          onFile?.(chosen[0]);
          onFiles?.(chosen);
        }}
      />
      <Toggle label={label} disabled={disabled} onClick={() => file.current?.click()}>
        {children}
      </Toggle>
    </>
  );
}
