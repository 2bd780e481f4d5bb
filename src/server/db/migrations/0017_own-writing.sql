ALTER TABLE "board_updates" ADD COLUMN "prompt_id" text;--> statement-breakpoint
ALTER TABLE "board_updates" ADD COLUMN "participant_id" text;