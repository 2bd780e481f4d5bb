CREATE TABLE "accounts" (
	"id" text PRIMARY KEY NOT NULL,
	"email" text NOT NULL,
	"display_name" text NOT NULL,
	"password_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "accounts_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "board_copies" (
	"id" text PRIMARY KEY NOT NULL,
	"session_id" text NOT NULL,
	"room_id" text NOT NULL,
	"board" jsonb NOT NULL,
	CONSTRAINT "one_copy_a_room" UNIQUE("session_id","room_id")
);
--> statement-breakpoint
CREATE TABLE "board_updates" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"copy_id" text NOT NULL,
	"update" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "boards" (
	"id" text PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"steps" jsonb NOT NULL,
	"prompts" jsonb NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cohorts" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "contributions" (
	"copy_id" text NOT NULL,
	"prompt_id" text NOT NULL,
	"entry_id" text NOT NULL,
	"participant_id" text NOT NULL,
	"half_minute" timestamp with time zone NOT NULL,
	"edits" integer NOT NULL,
	"text" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "contributions_copy_id_prompt_id_entry_id_participant_id_half_minute_pk" PRIMARY KEY("copy_id","prompt_id","entry_id","participant_id","half_minute")
);
--> statement-breakpoint
CREATE TABLE "groupings" (
	"id" text PRIMARY KEY NOT NULL,
	"cohort_id" text NOT NULL,
	"name" text NOT NULL,
	"groups" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"saved_by" text NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "participants" (
	"id" text PRIMARY KEY NOT NULL,
	"session_id" text NOT NULL,
	"token_hash" text NOT NULL,
	"review_token" text NOT NULL,
	CONSTRAINT "participants_token_hash_unique" UNIQUE("token_hash"),
	CONSTRAINT "participants_review_token_unique" UNIQUE("review_token")
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" text PRIMARY KEY NOT NULL,
	"cohort_id" text NOT NULL,
	"first_name" text NOT NULL,
	"family_name" text DEFAULT '' NOT NULL,
	"shown_as" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"trained_to_lead" boolean DEFAULT false NOT NULL,
	"columns" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"position" integer NOT NULL,
	"removed_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "session_events" (
	"session_id" text NOT NULL,
	"seq" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor" text NOT NULL,
	"type" text NOT NULL,
	"payload" jsonb NOT NULL,
	CONSTRAINT "session_events_session_id_seq_pk" PRIMARY KEY("session_id","seq")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"time_zone" text NOT NULL,
	"cohort_id" text NOT NULL,
	"grouping_id" text NOT NULL,
	"board_id" text NOT NULL,
	"room_names" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"room_minutes" integer NOT NULL,
	"grace_seconds" integer NOT NULL,
	"waiting_list" boolean NOT NULL,
	"join_code" text NOT NULL,
	"phase" text DEFAULT 'planned' NOT NULL,
	"reviewed_at" timestamp with time zone,
	CONSTRAINT "sessions_join_code_unique" UNIQUE("join_code")
);
--> statement-breakpoint
CREATE TABLE "sign_ins" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "board_copies" ADD CONSTRAINT "board_copies_session_id_sessions_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."sessions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "board_updates" ADD CONSTRAINT "board_updates_copy_id_board_copies_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."board_copies"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "contributions" ADD CONSTRAINT "contributions_copy_id_board_copies_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."board_copies"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "groupings" ADD CONSTRAINT "groupings_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "participants" ADD CONSTRAINT "participants_session_id_sessions_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."sessions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session_events" ADD CONSTRAINT "session_events_session_id_sessions_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."sessions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_grouping_id_groupings_id_fk" FOREIGN KEY ("grouping_id") REFERENCES "public"."groupings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_board_id_boards_id_fk" FOREIGN KEY ("board_id") REFERENCES "public"."boards"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_ins" ADD CONSTRAINT "sign_ins_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "updates_by_copy" ON "board_updates" USING btree ("copy_id","id");--> statement-breakpoint
CREATE INDEX "participants_by_session" ON "participants" USING btree ("session_id");--> statement-breakpoint
CREATE INDEX "people_by_cohort" ON "people" USING btree ("cohort_id");