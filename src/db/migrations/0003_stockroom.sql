CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
CREATE TABLE "column_matching" (
	"person" text NOT NULL,
	"of_table" text NOT NULL,
	"heads" text[] NOT NULL,
	"matching" jsonb NOT NULL,
	CONSTRAINT "column_matching_person_of_table_heads_pk" PRIMARY KEY("person","of_table","heads")
);
--> statement-breakpoint
CREATE TABLE "kept_draft" (
	"person" text NOT NULL,
	"key" text NOT NULL,
	"draft" jsonb NOT NULL,
	"revision" integer,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "kept_draft_person_key_pk" PRIMARY KEY("person","key")
);
--> statement-breakpoint
CREATE TABLE "template" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"promotion" jsonb NOT NULL,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "template_name_unique" UNIQUE("name")
);
--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "retired" date;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "search" text GENERATED ALWAYS AS (lower(sku || ' ' || coalesce(gtin, '') || ' ' || name || ' ' || coalesce(brand, ''))) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "item_set" ADD COLUMN "frozen" jsonb;--> statement-breakpoint
ALTER TABLE "promotion" ADD COLUMN "badge" jsonb;--> statement-breakpoint
ALTER TABLE "promotion" ADD COLUMN "supplier" jsonb;--> statement-breakpoint
ALTER TABLE "column_matching" ADD CONSTRAINT "column_matching_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kept_draft" ADD CONSTRAINT "kept_draft_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "item_search" ON "item" USING gin ("search" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "item_price_since" ON "item_price" USING btree ("since");