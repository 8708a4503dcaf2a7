import { createContext } from 'react';

/** The nonce of this answer's inline scripts. The browser doesn't need it afterwards. */
export const Nonce = createContext<string | undefined>(undefined);
