CREATE TABLE "basket_check" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"basket" jsonb NOT NULL,
	"moment" jsonb NOT NULL,
	"at_most" text,
	"at_least" text,
	"result" jsonb,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "basket_check_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "picture" (
	"id" text PRIMARY KEY NOT NULL,
	"media_type" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"added_by" text NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL
);
