CREATE TABLE "paintbox" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "status" text DEFAULT 'owned' NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "form" text DEFAULT 'tube' NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "size_ml" double precision;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "left_share" double precision;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "price" double precision;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "currency" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "bought_on" date;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "opened_on" date;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "batch" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "same_as" uuid;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "label" jsonb DEFAULT '{"transparency":"","staining":"","granulation":"","lightfastness":""}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "notes" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "paints" ADD COLUMN "favourite" boolean DEFAULT false NOT NULL;