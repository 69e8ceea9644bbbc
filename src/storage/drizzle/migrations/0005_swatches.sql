CREATE TABLE "measurements" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"paint_id" uuid NOT NULL,
	"measured_on" date NOT NULL,
	"way" text NOT NULL,
	"paper_id" text NOT NULL,
	"photo_id" text,
	"card_id" integer,
	"patches" jsonb NOT NULL,
	"fit" jsonb NOT NULL,
	"counts" boolean DEFAULT true NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "swatch_cards" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "swatch_cards_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"paints" jsonb NOT NULL,
	"paper_id" text NOT NULL,
	"made_on" date NOT NULL
);
--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_photo_id_photos_id_fk" FOREIGN KEY ("photo_id") REFERENCES "public"."photos"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "measurements_paint" ON "measurements" USING btree ("paint_id","measured_on");