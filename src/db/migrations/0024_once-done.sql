CREATE TABLE "once_done" (
	"person" text NOT NULL,
	"key" text NOT NULL,
	"digest" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"status" integer,
	"headers" jsonb,
	"body" text,
	CONSTRAINT "once_done_person_key_pk" PRIMARY KEY("person","key")
);
--> statement-breakpoint
ALTER TABLE "once_done" ADD CONSTRAINT "once_done_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;