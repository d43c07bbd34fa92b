ALTER TABLE "chain" ADD COLUMN "house_rules" jsonb;--> statement-breakpoint
ALTER TABLE "proposal" ADD COLUMN "approved_by" text;