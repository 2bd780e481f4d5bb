ALTER TABLE "sessions" ADD COLUMN "rehearsal_of" text;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "rehearsed" jsonb;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_rehearsal_of_sessions_id_fk" FOREIGN KEY ("rehearsal_of") REFERENCES "public"."sessions"("id") ON DELETE cascade ON UPDATE no action;