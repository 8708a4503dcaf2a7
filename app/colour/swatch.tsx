import type { ComponentProps } from 'react';
import styles from './swatch.module.css';

type Props = Omit<ComponentProps<'button'>, 'className' | 'style' | 'type'> & {
  /** The colour as #rrggbb; `none` for no colour, `other` for the colour panel. */
  colour: string;
  /** The stop or colour that is being edited. */
  marked?: boolean;
  /** Not used. */
  out?: boolean;
};

/** One colour to choose. */
export function Swatch({ colour, marked, out, ...props }: Props) {
  const named = colour === 'none' || colour === 'other';
  return (
    <button
      type="button"
      {...props}
      className={[styles.swatch, named && styles[colour], marked && styles.marked, out && styles.out]
        .filter(Boolean)
        .join(' ')}
      style={named ? undefined : { background: colour }}
    />
  );
}
