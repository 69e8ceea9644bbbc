/** Where the paintbox is saved, and each painting. */
export const PAINTBOX_URL = "/api/paintbox";
export const PAINTINGS_URL = "/api/paintings";
export const paintingUrl = (id: string): string => `${PAINTINGS_URL}/${id}`;
export const paintingCopiesUrl = (id: string): string => `${paintingUrl(id)}/copies`;
/** The copy of a photo that is seen first. */
export const viewCopyUrl = (photoId: string): string => `/api/photos/${photoId}?copy=view`;
/** The colours that a painting wants. */
export const paintingWantedUrl = (id: string): string => `${paintingUrl(id)}/wanted`;
