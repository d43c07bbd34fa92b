CREATE TABLE "loophole_search" (
	"key" text PRIMARY KEY NOT NULL,
	"found" jsonb NOT NULL,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL
);
