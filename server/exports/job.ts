import type { Feedback } from '../../core/review/feedback';
import type { SheetPart } from '../../core/items/thumbnail';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { Clearing } from '../../core/raster/recipe';
import type { Sheet } from '../../core/schema/sheet';
import type { PictureIn } from '../pictures/read-in';
import type { PictureFiles } from '../stores/pictures';

/** What the crews of processes are asked for; done by workers/export.ts. */

export type ExportJob =
  | { kind: 'pdf'; title: string; sheets: Sheet[]; own: PictureFiles }
  /** `dpi` pixels to the inch. */
  | { kind: 'png'; sheet: Sheet; page: number; dpi: number; own: PictureFiles }
  /** Pages of feedback on pieces, one after another. */
  | { kind: 'feedback'; title: string; pieces: Feedback[]; own: PictureFiles };
/** A picture of a page that is too much for the thread that answers requests. */
export type ThumbnailJob = { kind: 'thumbnail'; part: SheetPart; own: PictureFiles };
/** All pages of feedback on a piece below each other, as one picture. */
export type FeedbackPictureJob = { kind: 'feedback-picture'; piece: Feedback; own: PictureFiles };
/** A picture file from outside, and who brings it along. */
export type PictureJob = {
  kind: 'picture';
  bytes: Uint8Array;
  name: string;
  owner: string;
  /** It is a page made elsewhere: nobody asks for its outline; `whole`: it is wanted in full size, too. */
  page?: { whole: boolean };
};
/** A picture to take the background of. */
export type ClearJob = { kind: 'clear'; drawn: DrawnPicture; bytes: Uint8Array; recipe: Clearing };
/** A ZIP file from outside. */
export type UnpackJob = { kind: 'unpack'; bytes: Uint8Array };
export type PictureAnswer = { picture: PictureIn } | { problem: string };
export type Job = ExportJob | ThumbnailJob | FeedbackPictureJob | PictureJob | UnpackJob | ClearJob;
