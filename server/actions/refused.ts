/** Why a request was refused, in words for the person. `status` is the HTTP status. */
export class Refused extends Error {
  override name = 'Refused';
  constructor(
    readonly status: 400 | 403 | 404 | 405 | 409 | 413 | 422,
    message: string,
    /** The field of a form that it is about. */
    readonly field?: string,
  ) {
    super(message);
  }
}

/** Missing things and other people's things look the same from outside. */
export const missing = () => new Refused(404, 'There is nothing here, or you can’t open it.');
