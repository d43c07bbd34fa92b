CREATE TABLE "held_back" (
	"promotion" text PRIMARY KEY NOT NULL,
	"held_by" text NOT NULL,
	"held_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "held_back" ADD CONSTRAINT "held_back_held_by_person_id_fk" FOREIGN KEY ("held_by") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;