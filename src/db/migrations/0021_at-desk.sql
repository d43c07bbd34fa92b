CREATE TABLE "at_desk" (
	"promotion" text NOT NULL,
	"person" text NOT NULL,
	"seen_at" timestamp with time zone NOT NULL,
	CONSTRAINT "at_desk_promotion_person_pk" PRIMARY KEY("promotion","person")
);
--> statement-breakpoint
ALTER TABLE "at_desk" ADD CONSTRAINT "at_desk_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;