CREATE TABLE "grouping_versions" (
	"grouping_id" text NOT NULL,
	"version" integer NOT NULL,
	"content" jsonb NOT NULL,
	"saved_by" text NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "grouping_versions_grouping_id_version_pk" PRIMARY KEY("grouping_id","version")
);
--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "later_rounds" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "roles" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "groupings" ADD COLUMN "rotation" jsonb DEFAULT '{"stations":[],"rounds":null,"doubled":false}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "grouping_round" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "grouping_version" integer;--> statement-breakpoint
ALTER TABLE "grouping_versions" ADD CONSTRAINT "grouping_versions_grouping_id_groupings_id_fk" FOREIGN KEY ("grouping_id") REFERENCES "public"."groupings"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
INSERT INTO "grouping_versions" ("grouping_id", "version", "content", "saved_by", "saved_at")
SELECT "id", "version", jsonb_build_object('name', "name", 'groups', "groups", 'laterRounds', "later_rounds", 'aims', "aims", 'offRuleIds', "off_rule_ids", 'heldIds', "held_ids", 'roles', "roles", 'rotation', "rotation"), "saved_by", "saved_at" FROM "groupings";
