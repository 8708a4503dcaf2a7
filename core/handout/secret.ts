/** The picture secret: three pictures, in order, out of these. */
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
] as const;
export const SECRET_LENGTH = 3;
export const isSecret = (secret: string) => {
  const parts = secret.split(' ');
  return parts.length === SECRET_LENGTH && parts.every((part) => (SECRET_PICTURES as readonly string[]).includes(part));
};
