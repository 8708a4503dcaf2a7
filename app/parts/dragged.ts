/** What a drag carries besides its data, so that what it is over can tell while it goes on. */
export const PICTURE_DRAGGED = 'application/x-dappled-picture';
