import type { OwnPicture } from '../../server/stores/pictures';

/** What the server answers when it is asked for a teacher's own pictures, or is given one. */
export type PicturesAnswer = { pictures: OwnPicture[]; mayBring: boolean };
export type PictureAnswer = { picture: OwnPicture };
