/** Where the paintbox is saved, and each painting. */
export const PAINTBOX_URL = "/api/paintbox";
export const PAINTINGS_URL = "/api/paintings";
export const paintingUrl = (id: string): string => `${PAINTINGS_URL}/${id}`;
/** The desk with a painting on it. */
export const paintingPage = (id: string): string => `/painting/${id}`;
export const paintingCopiesUrl = (id: string): string => `${paintingUrl(id)}/copies`;
/** The copy of a photo that is seen first. */
export const viewCopyUrl = (photoId: string): string => `/api/photos/${photoId}?copy=view`;
/** The colours that a painting wants. */
export const paintingWantedUrl = (id: string): string => `${paintingUrl(id)}/wanted`;
/** The swatches that would make a painting surest, or the whole box. */
export const nextSwatchesUrl = (paintingId: string | null): string =>
  paintingId === null ? "/api/logbook/next" : `${paintingUrl(paintingId)}/next-swatches`;
/** Where the logbook's entries are kept, and each of them. */
export const LOGBOOK_URL = "/api/logbook";
/** What the logbook teaches, once all that stands in it is learned. */
export const TAUGHT_URL = `${LOGBOOK_URL}/taught`;
export const logEntryUrl = (id: string): string => `${LOGBOOK_URL}/${id}`;
/** Everything as one file, what waits to be put back, and the dated copies. */
export const BACKUP_URL = "/api/backup";
export const WAITING_URL = `${BACKUP_URL}/waiting`;
export const COPIES_URL = "/api/copies";
/** Where one signs in on a server that several painters share. */
export const SIGN_IN_PAGE = "/sign-in";
export const SIGN_IN_URL = "/api/sign-in";
