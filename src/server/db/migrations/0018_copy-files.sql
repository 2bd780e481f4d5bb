CREATE TABLE "copy_files" (
	"copy_id" text NOT NULL,
	"file_hash" text NOT NULL,
	"participant_id" text NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "copy_files_copy_id_file_hash_pk" PRIMARY KEY("copy_id","file_hash")
);
--> statement-breakpoint
ALTER TABLE "copy_files" ADD CONSTRAINT "copy_files_copy_id_board_copies_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."board_copies"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "copy_files" ADD CONSTRAINT "copy_files_file_hash_files_hash_fk" FOREIGN KEY ("file_hash") REFERENCES "public"."files"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "copy_files_hash" ON "copy_files" USING btree ("file_hash");