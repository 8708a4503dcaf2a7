import type { Uploaded } from '../../server/actions/upload-picture';
import type { OwnPicture } from '../../server/stores/pictures';
import type { PicturesView } from '../../server/views/pictures-view';

/** What the server answers when it is asked for uploaded pictures, is given one, or tidies them. */
export type PicturesAnswer = PicturesView;
export type UploadAnswer = Uploaded;
export type ShelfAnswer = { pictures: OwnPicture[] };
