ALTER TABLE "paintings" ALTER COLUMN "study" SET DEFAULT '{"frame":null,"sheet":null,"white":null,"map":null,"wish":{"way":"follow"},"curve":{"kind":"lights"},"pairs":[],"bother":4}'::jsonb;--> statement-breakpoint
ALTER TABLE "areas" ADD COLUMN "wash" jsonb DEFAULT '{"kind":"flat","share":1,"more":[],"run":null}'::jsonb NOT NULL;--> statement-breakpoint
UPDATE "paintings" SET "study" = "study" || '{"bother":4}'::jsonb WHERE NOT "study" ? 'bother';
