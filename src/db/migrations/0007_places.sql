ALTER TABLE "item" ADD COLUMN "content" jsonb;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "shelf" text;--> statement-breakpoint
ALTER TABLE "store" ADD COLUMN "hours" jsonb;--> statement-breakpoint
ALTER TABLE "store" ADD COLUMN "shelves" jsonb;