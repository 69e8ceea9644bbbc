import type { PgDatabase, PgQueryResultHKT } from "drizzle-orm/pg-core";
import type * as schema from "./schema";

/** Any PostgreSQL that Drizzle speaks to: repositories know nothing else about where the data lies. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;
