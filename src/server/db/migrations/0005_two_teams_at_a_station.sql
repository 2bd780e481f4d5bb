ALTER TABLE "groupings" ALTER COLUMN "rotation" SET DEFAULT '{"stations":[],"rounds":null,"doubled":"none"}'::jsonb;--> statement-breakpoint
UPDATE "groupings" SET "rotation" = "rotation" || jsonb_build_object('doubled', CASE WHEN "rotation"->>'doubled' = 'true' THEN 'same' ELSE 'none' END);--> statement-breakpoint
UPDATE "grouping_versions" SET "content" = jsonb_set("content", '{rotation,doubled}', CASE WHEN "content"#>>'{rotation,doubled}' = 'true' THEN '"same"'::jsonb ELSE '"none"'::jsonb END) WHERE "content" ? 'rotation';
