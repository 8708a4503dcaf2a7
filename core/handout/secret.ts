/** The picture secret: four pictures, in order, out of eighteen. 104,976 ways, and still easy for a child. */
export const SECRET_PICTURES = [
  'owl',
  'frog',
  'snail',
  'crab',
  'butterfly',
  'hedgehog',
  'cherries',
  'mushroom',
  'rocket',
  'kite',
  'sunflower',
  'bicycle',
  'penguin',
  'cactus',
  'tractor',
  'umbrella',
  'guitar',
  'whale',
] as const;
export const SECRET_LENGTH = 4;
/** Older secrets have three pictures. They are valid until they are renewed. */
export const OLD_LENGTH = 3;

const known = (parts: string[]) => parts.every((part) => (SECRET_PICTURES as readonly string[]).includes(part));

/** What may be chosen as a new secret. */
export const isSecret = (secret: string): boolean => {
  const parts = secret.split(' ');
  return parts.length === SECRET_LENGTH && known(parts);
};
/** What may be a secret, old ones included. */
export const maybeSecret = (secret: string): boolean =>
  isSecret(secret) || (secret.split(' ').length === OLD_LENGTH && known(secret.split(' ')));
