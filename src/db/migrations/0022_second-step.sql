CREATE TABLE "second_step" (
	"id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"backup_codes" text NOT NULL,
	"user_id" text NOT NULL,
	"verified" boolean DEFAULT false NOT NULL,
	"failed_verification_count" integer DEFAULT 0 NOT NULL,
	"locked_until" timestamp with time zone,
	CONSTRAINT "second_step_userId_unique" UNIQUE("user_id")
);
--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "second_step" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "second_step" ADD CONSTRAINT "second_step_user_id_person_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;