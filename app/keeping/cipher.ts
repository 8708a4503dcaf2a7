import { xchacha20poly1305 } from '@noble/ciphers/chacha';
import { bytesToHex, bytesToUtf8, hexToBytes, utf8ToBytes } from '@noble/ciphers/utils';
import { managedNonce } from '@noble/ciphers/webcrypto';

/**
 * Encryption with a person's key (64 hexadecimal digits), as bytes or as hexadecimal text. A file of its own: it is loaded
 * only to seal and to unseal.
 */
export function cipherOf(key: string) {
  const cipher = managedNonce(xchacha20poly1305)(hexToBytes(key));
  const seal = (what: unknown) => cipher.encrypt(utf8ToBytes(JSON.stringify(what)));
  /** @throws Error when it was sealed with another key */
  const open = (sealed: Uint8Array): unknown => JSON.parse(bytesToUtf8(cipher.decrypt(sealed)));
  return {
    seal,
    open,
    sealAsText: (what: unknown) => bytesToHex(seal(what)),
    openText: (sealed: string) => open(hexToBytes(sealed)),
  };
}
