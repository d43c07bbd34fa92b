ALTER TABLE "price_file" ADD COLUMN "change" "bytea";--> statement-breakpoint
ALTER TABLE "price_file" ADD COLUMN "changes_from" bigint;--> statement-breakpoint
ALTER TABLE "price_file" ADD COLUMN "changes_sha256" text;--> statement-breakpoint
ALTER TABLE "signing_key" ADD COLUMN "certificate" jsonb;--> statement-breakpoint
ALTER TABLE "signing_key" ADD COLUMN "withdrawn_at" timestamp with time zone;