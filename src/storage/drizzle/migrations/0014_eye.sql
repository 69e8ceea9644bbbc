CREATE TABLE "eye_answers" (
	"id" uuid PRIMARY KEY NOT NULL,
	"answered_at" timestamp with time zone DEFAULT now() NOT NULL,
	"kind" text NOT NULL,
	"bucket" text NOT NULL,
	"error" double precision NOT NULL
);
--> statement-breakpoint
CREATE INDEX "eye_answers_at" ON "eye_answers" USING btree ("answered_at");