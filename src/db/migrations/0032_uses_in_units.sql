ALTER TABLE "use_hold" ADD COLUMN "units" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "use_taken" ADD COLUMN "units" integer DEFAULT 1 NOT NULL;