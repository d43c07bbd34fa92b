CREATE TABLE "waiting_entries" (
	"id" serial PRIMARY KEY NOT NULL,
	"change" jsonb NOT NULL,
	"standing" jsonb NOT NULL,
	"effect" jsonb NOT NULL,
	"written_by" text NOT NULL,
	"written_at" timestamp with time zone DEFAULT now() NOT NULL,
	"returned_by" text,
	"reason" text
);
