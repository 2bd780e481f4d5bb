ALTER TABLE "late_contributions" ADD COLUMN "put_in_by" text;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "writing" text DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "may_add_pictures" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "duties" jsonb DEFAULT '{}'::jsonb NOT NULL;