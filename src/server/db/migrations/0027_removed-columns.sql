CREATE TABLE "removed_columns" (
	"id" text PRIMARY KEY NOT NULL,
	"cohort_id" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"place" integer NOT NULL,
	"values" jsonb NOT NULL,
	"removed_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "removed_columns" ADD CONSTRAINT "removed_columns_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "removed_columns_by_cohort" ON "removed_columns" USING btree ("cohort_id","removed_at");