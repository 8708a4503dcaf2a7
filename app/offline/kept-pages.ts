/** What of a person's own is kept for a time without a network. No browser API in here beside caches. */

/** The cache of one person's pages, data and pictures. It is removed when they sign out. */
export const OWN = 'dappled-own';

/** A page that is kept, and its data. */
export const PAGE = /^\/(tray|copies\/[\w-]+)(\.data)?$/;

export const isOwn = (pathname: string): boolean =>
  PAGE.test(pathname) ||
  /^\/copies\/[\w-]+\/picture\.svg$/.test(pathname) ||
  pathname.startsWith('/art/pictures/own/') ||
  pathname === '/names' ||
  pathname === '/pictures';
