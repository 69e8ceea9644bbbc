ALTER TABLE "paintings" ALTER COLUMN "approach" SET DEFAULT '{"size":"lean","primaries":"free","darks":"free","hues":"photo","chroma":"photo","granulation":"allow","opacity":"free","greys":"free","lasting":"lasting","mixing":"well","hand":"usual","near":"usual","effort":"usual","valueWeight":1.5,"maxPigments":3,"single":false,"darkest":null}'::jsonb;--> statement-breakpoint
ALTER TABLE "paintings" ALTER COLUMN "rules" SET DEFAULT '{"must":[],"never":[],"kinds":[],"reach":{"areaIds":[],"within":4},"boxId":null}'::jsonb;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
-- The demo's paints were laid out in one transaction with its painting: now() was the same for both.
UPDATE "paints" SET "demo" = true WHERE "created_at" = (SELECT min("created_at") FROM "paintings");
