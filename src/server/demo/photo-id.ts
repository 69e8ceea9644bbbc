/** The demo photo's id: the SHA-256 of its file (held to it by a test). */
export const DEMO_PHOTO_ID = "0ebf242da458bb272ca8525cf050562ede263feb1a7abee6fd348be3d038477f";
