ALTER TABLE "accounts" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "boards" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "cohorts" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "session_events" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "choice_answers_by_person" ON "choice_answers" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "choices_by_cohort" ON "choices" USING btree ("cohort_id");--> statement-breakpoint
CREATE INDEX "contributions_by_participant" ON "contributions" USING btree ("participant_id");--> statement-breakpoint
CREATE INDEX "groupings_by_cohort" ON "groupings" USING btree ("cohort_id");--> statement-breakpoint
CREATE INDEX "sessions_by_cohort" ON "sessions" USING btree ("cohort_id","starts_at");--> statement-breakpoint
CREATE INDEX "sessions_by_phase" ON "sessions" USING btree ("phase","starts_at");--> statement-breakpoint
CREATE INDEX "sessions_by_start" ON "sessions" USING btree ("starts_at");--> statement-breakpoint
CREATE INDEX "sessions_by_grouping" ON "sessions" USING btree ("grouping_id");--> statement-breakpoint
CREATE INDEX "sessions_by_board" ON "sessions" USING btree ("board_id");--> statement-breakpoint
CREATE INDEX "sign_ins_by_account" ON "sign_ins" USING btree ("account_id");--> statement-breakpoint
CREATE INDEX "sign_ins_by_expiry" ON "sign_ins" USING btree ("expires_at");