CREATE TABLE "hung_tag" (
	"store" text NOT NULL,
	"day" date NOT NULL,
	"sku" text NOT NULL,
	"edition" text NOT NULL,
	"hung_by" text NOT NULL,
	"hung_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "hung_tag_store_day_sku_pk" PRIMARY KEY("store","day","sku")
);
--> statement-breakpoint
ALTER TABLE "hung_tag" ADD CONSTRAINT "hung_tag_hung_by_person_id_fk" FOREIGN KEY ("hung_by") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;