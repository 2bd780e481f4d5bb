CREATE TABLE "imports" (
	"id" text PRIMARY KEY NOT NULL,
	"cohort_id" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"by" text NOT NULL,
	"added_ids" jsonb NOT NULL,
	"changed" jsonb NOT NULL,
	"new_columns" jsonb NOT NULL,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "cohorts" ADD COLUMN "columns" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "cohorts" ADD COLUMN "presence" jsonb;--> statement-breakpoint
ALTER TABLE "imports" ADD CONSTRAINT "imports_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "imports_by_cohort" ON "imports" USING btree ("cohort_id","at");