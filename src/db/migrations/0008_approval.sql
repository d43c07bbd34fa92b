CREATE TABLE "proposal" (
	"promotion" text PRIMARY KEY NOT NULL,
	"document" jsonb,
	"written_by" text NOT NULL,
	"submitted_by" text,
	"submitted_at" timestamp with time zone,
	"returned_by" text,
	"reason" text
);
--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "approval_by_another" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "approval_of_stockroom" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "proposal" ADD CONSTRAINT "proposal_promotion_promotion_id_fk" FOREIGN KEY ("promotion") REFERENCES "public"."promotion"("id") ON DELETE cascade ON UPDATE no action;