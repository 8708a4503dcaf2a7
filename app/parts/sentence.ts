import { Children } from 'react';
import type { ReactNode } from 'react';

/** Labels begin with a capital, wherever their words come from. */

export const sentence = (words: string): string => words.charAt(0).toLocaleUpperCase('en') + words.slice(1);

/** The same for what stands on a button: its first words. */
export const sentenceIn = (children: ReactNode): ReactNode =>
  Children.map(children, (child, i) => (i === 0 && typeof child === 'string' ? sentence(child) : child));
