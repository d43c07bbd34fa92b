ALTER TABLE "terminal" ADD COLUMN "key_changed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "terminal" ADD COLUMN "whole_asked_at" timestamp with time zone;