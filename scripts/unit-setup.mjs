import { emptyDatabase } from "./empty-database.mjs";

/** New databases of the unit tests begin as those of data folders do. */
export default async function setUp() {
  process.env.ABENDROT_EMPTY_DATABASE = (await emptyDatabase()) ?? "";
}
