import type { Uploaded } from '../../server/actions/upload-picture';
import type { OwnPicture } from '../../server/stores/pictures';

/** What the server answers when it is asked for a teacher's own pictures, is given one, or tidies them. */
export type PicturesAnswer = { pictures: OwnPicture[]; mayBring: boolean };
export type UploadAnswer = Uploaded;
export type ShelfAnswer = { pictures: OwnPicture[] };
