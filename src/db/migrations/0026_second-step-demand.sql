ALTER TABLE "chain" ADD COLUMN "second_step" jsonb;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "by_directory" boolean DEFAULT false NOT NULL;