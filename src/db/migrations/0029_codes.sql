CREATE TABLE "batch_code" (
	"hash" "bytea" PRIMARY KEY NOT NULL,
	"batch" integer NOT NULL,
	"withdrawn" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "code_batch" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "code_batch_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"promotion" text NOT NULL,
	"pattern" jsonb NOT NULL,
	"wanted" integer NOT NULL,
	"made" integer DEFAULT 0 NOT NULL,
	"parts" integer DEFAULT 0 NOT NULL,
	"from_day" date,
	"to_day" date,
	"test" boolean DEFAULT false NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"listed" boolean DEFAULT true NOT NULL,
	"withdrawn_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "code_list" (
	"batch" integer NOT NULL,
	"part" integer NOT NULL,
	"sealed" "bytea" NOT NULL,
	CONSTRAINT "code_list_batch_part_pk" PRIMARY KEY("batch","part")
);
--> statement-breakpoint
CREATE TABLE "code_try" (
	"who" text PRIMARY KEY NOT NULL,
	"left" real NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"wrong" integer NOT NULL,
	"since" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "promotion" ADD COLUMN "code_batches" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "use_taken" ADD COLUMN "batch" integer;--> statement-breakpoint
ALTER TABLE "code_list" ADD CONSTRAINT "code_list_batch_code_batch_id_fk" FOREIGN KEY ("batch") REFERENCES "public"."code_batch"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "batch_code_withdrawn" ON "batch_code" USING btree ("batch") WHERE "batch_code"."withdrawn";--> statement-breakpoint
CREATE INDEX "code_batch_promotion" ON "code_batch" USING btree ("promotion");--> statement-breakpoint
CREATE INDEX "use_taken_batch" ON "use_taken" USING btree ("batch");