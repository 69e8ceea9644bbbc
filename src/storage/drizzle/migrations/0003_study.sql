ALTER TABLE "areas" ADD COLUMN "region" integer;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "plane" text;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "light" text;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "edge" text;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "weight" double precision DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "wish" jsonb;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "study" jsonb DEFAULT '{"frame":null,"sheet":null,"white":null,"map":null,"wish":{"way":"follow"},"curve":{"kind":"lights"},"pairs":[]}'::jsonb NOT NULL;