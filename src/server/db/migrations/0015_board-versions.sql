CREATE TABLE "board_versions" (
	"board_id" text NOT NULL,
	"version" integer NOT NULL,
	"content" jsonb NOT NULL,
	"saved_by" text NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "board_versions_board_id_version_pk" PRIMARY KEY("board_id","version")
);
--> statement-breakpoint
ALTER TABLE "board_versions" ADD CONSTRAINT "board_versions_board_id_boards_id_fk" FOREIGN KEY ("board_id") REFERENCES "public"."boards"("id") ON DELETE cascade ON UPDATE no action;