CREATE TABLE "areas" (
	"id" uuid PRIMARY KEY NOT NULL,
	"painting_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"sample_x" double precision NOT NULL,
	"sample_y" double precision NOT NULL,
	"sample_radius" double precision NOT NULL,
	"lab_l" double precision NOT NULL,
	"lab_a" double precision NOT NULL,
	"lab_b" double precision NOT NULL,
	"recipe" jsonb
);
--> statement-breakpoint
CREATE TABLE "paint_pigments" (
	"paint_id" uuid NOT NULL,
	"pigment_id" text NOT NULL,
	"share" double precision NOT NULL,
	"position" integer NOT NULL,
	CONSTRAINT "paint_pigments_paint_id_position_pk" PRIMARY KEY("paint_id","position"),
	CONSTRAINT "share_positive" CHECK ("paint_pigments"."share" > 0)
);
--> statement-breakpoint
CREATE TABLE "paintings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"title" text NOT NULL,
	"paper_id" text NOT NULL,
	"photo_id" text NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "paints" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"maker" text DEFAULT '' NOT NULL,
	"line" text DEFAULT '' NOT NULL,
	"tinting_strength" double precision DEFAULT 1 NOT NULL,
	"position" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tinting_strength_positive" CHECK ("paints"."tinting_strength" > 0)
);
--> statement-breakpoint
CREATE TABLE "palette_paints" (
	"painting_id" uuid NOT NULL,
	"paint_id" uuid NOT NULL,
	"position" integer NOT NULL,
	CONSTRAINT "palette_paints_painting_id_paint_id_pk" PRIMARY KEY("painting_id","paint_id")
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"id" text PRIMARY KEY NOT NULL,
	"file_name" text NOT NULL,
	"format" text NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"working_width_px" integer NOT NULL,
	"working_height_px" integer NOT NULL,
	"bytes" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "areas" ADD CONSTRAINT "areas_painting_id_paintings_id_fk" FOREIGN KEY ("painting_id") REFERENCES "public"."paintings"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paint_pigments" ADD CONSTRAINT "paint_pigments_paint_id_paints_id_fk" FOREIGN KEY ("paint_id") REFERENCES "public"."paints"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paintings" ADD CONSTRAINT "paintings_photo_id_photos_id_fk" FOREIGN KEY ("photo_id") REFERENCES "public"."photos"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "palette_paints" ADD CONSTRAINT "palette_paints_painting_id_paintings_id_fk" FOREIGN KEY ("painting_id") REFERENCES "public"."paintings"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "palette_paints" ADD CONSTRAINT "palette_paints_paint_id_paints_id_fk" FOREIGN KEY ("paint_id") REFERENCES "public"."paints"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "areas_painting" ON "areas" USING btree ("painting_id");--> statement-breakpoint
CREATE INDEX "paintings_updated" ON "paintings" USING btree ("updated_at");