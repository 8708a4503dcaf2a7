import { nanoid } from 'nanoid';

/** A new identity: 12 letters, digits, _ or -; 72 bits. */
export const newId = () => nanoid(12);
