CREATE TABLE "choice_answers" (
	"choice_id" text NOT NULL,
	"person_id" text NOT NULL,
	"token_hash" text,
	"wishes" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "choice_answers_choice_id_person_id_pk" PRIMARY KEY("choice_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "choices" (
	"id" text PRIMARY KEY NOT NULL,
	"cohort_id" text NOT NULL,
	"title" text NOT NULL,
	"kind" text NOT NULL,
	"wishes" integer NOT NULL,
	"topics" jsonb NOT NULL,
	"phase" text DEFAULT 'open' NOT NULL,
	"code" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "choices_code_unique" UNIQUE("code")
);
--> statement-breakpoint
ALTER TABLE "choice_answers" ADD CONSTRAINT "choice_answers_choice_id_choices_id_fk" FOREIGN KEY ("choice_id") REFERENCES "public"."choices"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "choice_answers" ADD CONSTRAINT "choice_answers_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "choices" ADD CONSTRAINT "choices_cohort_id_cohorts_id_fk" FOREIGN KEY ("cohort_id") REFERENCES "public"."cohorts"("id") ON DELETE cascade ON UPDATE no action;