ALTER TABLE "sessions" ALTER COLUMN "cohort_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ALTER COLUMN "grouping_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ALTER COLUMN "board_id" DROP NOT NULL;