CREATE TABLE "late_contributions" (
	"copy_id" text NOT NULL,
	"participant_id" text NOT NULL,
	"digest" text NOT NULL,
	"prompt_id" text,
	"update" "bytea" NOT NULL,
	"pieces" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "late_contributions_copy_id_participant_id_digest_pk" PRIMARY KEY("copy_id","participant_id","digest")
);
--> statement-breakpoint
ALTER TABLE "late_contributions" ADD CONSTRAINT "late_contributions_copy_id_board_copies_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."board_copies"("id") ON DELETE cascade ON UPDATE no action;