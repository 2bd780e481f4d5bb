CREATE TABLE "noted_contributions" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"list" jsonb NOT NULL
);
