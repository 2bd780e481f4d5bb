CREATE TABLE "board_writers" (
	"copy_id" text NOT NULL,
	"number" bigint NOT NULL,
	"participant_id" text NOT NULL,
	CONSTRAINT "board_writers_copy_id_number_pk" PRIMARY KEY("copy_id","number")
);
--> statement-breakpoint
ALTER TABLE "board_writers" ADD CONSTRAINT "board_writers_copy_id_board_copies_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."board_copies"("id") ON DELETE cascade ON UPDATE no action;