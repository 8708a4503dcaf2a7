/** Why something a person wanted was not done, in words for them. `status` says of what sort it is, as HTTP counts. */
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

/** What is not there and what is somebody else's look alike from outside. */
export const missing = () => new Refused(404, 'There is nothing here, or it is not yours to see.');
