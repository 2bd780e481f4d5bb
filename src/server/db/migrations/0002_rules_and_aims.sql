ALTER TABLE "cohorts" ADD COLUMN "rules" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "aims" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "off_rule_ids" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "held_ids" jsonb DEFAULT '[]'::jsonb NOT NULL;