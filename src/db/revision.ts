/** What was to be saved has been changed elsewhere since it was read. */
export class RevisionConflict extends Error {}
