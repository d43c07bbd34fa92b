CREATE TABLE "api_key" (
	"person" text PRIMARY KEY NOT NULL,
	"hash" text NOT NULL,
	"scopes" text[] NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	"ends_at" timestamp with time zone,
	CONSTRAINT "api_key_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "machine" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD CONSTRAINT "api_key_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;