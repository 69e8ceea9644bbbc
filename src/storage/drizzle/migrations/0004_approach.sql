CREATE TABLE "settings" (
	"key" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "approach" jsonb DEFAULT '{"size":"lean","primaries":"free","darks":"free","hues":"photo","chroma":"photo","granulation":"allow","opacity":"free","greys":"free","lasting":"lasting","mixing":"well","valueWeight":1.5,"maxPigments":3,"single":false,"darkest":null}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "rules" jsonb DEFAULT '{"must":[],"never":[],"kinds":[],"reach":{"areaIds":[],"within":4}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "palettes" jsonb DEFAULT '[]'::jsonb NOT NULL;