/** The cache in which the service worker keeps shipped art. */
export const KEPT_ART = 'dappled-art';
