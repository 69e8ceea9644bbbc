/** What a field for photos offers; what a file really is, the server finds out. */
export const PHOTO_TYPES =
  "image/jpeg,image/png,image/webp,image/avif,image/tiff,image/heic,image/heif,.heic,.heif,.tif,.tiff";
