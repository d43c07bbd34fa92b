CREATE TABLE "sign_in_try" (
	"key" text PRIMARY KEY NOT NULL,
	"tries" integer NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "price_file" ALTER COLUMN "number" SET DATA TYPE bigint;--> statement-breakpoint
ALTER TABLE "price_file" ALTER COLUMN "rollout" SET DATA TYPE bigint;--> statement-breakpoint
ALTER TABLE "price_file" ALTER COLUMN "content" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "rollout" ALTER COLUMN "id" SET DATA TYPE bigint;--> statement-breakpoint
ALTER SEQUENCE "rollout_id_seq" AS bigint;--> statement-breakpoint
ALTER TABLE "terminal_state" ALTER COLUMN "holds" SET DATA TYPE bigint;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "epoch" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "restored_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "lost_number" bigint;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "sees_costs" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "price_file" ADD COLUMN "envelope" "bytea";--> statement-breakpoint
UPDATE "person" SET "demo" = true WHERE "email" LIKE '%@quillmere.example';--> statement-breakpoint
UPDATE "person" SET "sees_costs" = false WHERE "role" = 'store';--> statement-breakpoint
UPDATE "chain" SET "demo" = true WHERE EXISTS (SELECT 1 FROM "person" WHERE "email" = 'basil@quillmere.example');
