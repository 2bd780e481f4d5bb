CREATE TABLE "known_browsers" (
	"token_hash" text NOT NULL,
	"account_id" text NOT NULL,
	CONSTRAINT "known_browsers_token_hash_account_id_pk" PRIMARY KEY("token_hash","account_id")
);
--> statement-breakpoint
ALTER TABLE "known_browsers" ADD CONSTRAINT "known_browsers_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "known_browsers_by_account" ON "known_browsers" USING btree ("account_id");