CREATE TABLE "log_entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"logged_on" date NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"binned_at" timestamp with time zone,
	"demo" boolean DEFAULT false NOT NULL,
	"writer" uuid,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_photos" (
	"entry_id" uuid NOT NULL,
	"photo_id" text NOT NULL,
	CONSTRAINT "log_photos_entry_id_photo_id_pk" PRIMARY KEY("entry_id","photo_id")
);
--> statement-breakpoint
ALTER TABLE "log_photos" ADD CONSTRAINT "log_photos_entry_id_log_entries_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."log_entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_photos" ADD CONSTRAINT "log_photos_photo_id_photos_id_fk" FOREIGN KEY ("photo_id") REFERENCES "public"."photos"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "log_entries_on" ON "log_entries" USING btree ("logged_on");