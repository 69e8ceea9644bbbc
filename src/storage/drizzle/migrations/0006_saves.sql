DROP INDEX "areas_painting";--> statement-breakpoint
ALTER TABLE "areas" DROP CONSTRAINT "areas_pkey";--> statement-breakpoint
ALTER TABLE "areas" ADD CONSTRAINT "areas_painting_id_id_pk" PRIMARY KEY("painting_id","id");--> statement-breakpoint
ALTER TABLE "paintbox" ADD COLUMN "writer" uuid;--> statement-breakpoint
ALTER TABLE "paintbox" ADD COLUMN "step" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "writer" uuid;--> statement-breakpoint
ALTER TABLE "paintings" ADD COLUMN "step" integer DEFAULT 0 NOT NULL;
