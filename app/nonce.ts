import { createContext } from 'react';

/** The word that inline scripts of this answer carry; in the browser it is no longer needed. */
export const Nonce = createContext<string | undefined>(undefined);
