ALTER TABLE "sessions" ADD COLUMN "running_order" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "minutes" integer;