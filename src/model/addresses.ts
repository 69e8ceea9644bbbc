/** Where the paintbox is saved, and each painting. */
export const PAINTBOX_URL = "/api/paintbox";
export const paintingUrl = (id: string): string => `/api/paintings/${id}`;
