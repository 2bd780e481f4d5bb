ALTER TABLE "sign_ins" ADD COLUMN "browser" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_ins" ADD COLUMN "started_at" timestamp with time zone DEFAULT now() NOT NULL;