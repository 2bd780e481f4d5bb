CREATE TABLE "deeds" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by_name" text NOT NULL,
	"kind" text NOT NULL,
	"thing" text,
	"about" text NOT NULL,
	"count" integer
);
--> statement-breakpoint
CREATE TABLE "one_time_links" (
	"account_id" text PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "one_time_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
ALTER TABLE "one_time_links" ADD CONSTRAINT "one_time_links_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "deeds_by_time" ON "deeds" USING btree ("at");