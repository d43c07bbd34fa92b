CREATE TABLE "loopholes" (
	"plan_version" integer PRIMARY KEY NOT NULL,
	"day" text NOT NULL,
	"found" jsonb NOT NULL,
	"searches" integer NOT NULL,
	"is_whole" boolean NOT NULL
);
