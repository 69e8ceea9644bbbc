ALTER TABLE "paintings" ADD COLUMN "binned_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
-- The demo's painting was laid out in one transaction with its paints: now() was the same for both.
UPDATE "paintings" SET "demo" = true WHERE "created_at" IN (SELECT "created_at" FROM "paints" WHERE "demo");
