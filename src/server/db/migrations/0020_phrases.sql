CREATE TABLE "phrases" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"text" text NOT NULL,
	CONSTRAINT "phrases_once" UNIQUE("account_id","text")
);
--> statement-breakpoint
ALTER TABLE "phrases" ADD CONSTRAINT "phrases_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE cascade ON UPDATE no action;