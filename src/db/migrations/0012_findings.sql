CREATE TABLE "accepted_finding" (
	"key" text PRIMARY KEY NOT NULL,
	"about" text NOT NULL,
	"reason" text NOT NULL,
	"accepted_by" text NOT NULL,
	"accepted_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "findings" (
	"plan_version" integer PRIMARY KEY NOT NULL,
	"day" text NOT NULL,
	"found" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "accepted_finding" ADD CONSTRAINT "accepted_finding_accepted_by_person_id_fk" FOREIGN KEY ("accepted_by") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;