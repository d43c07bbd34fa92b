CREATE TABLE "plan_snapshot" (
	"plan_version" bigint PRIMARY KEY NOT NULL,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL,
	"document" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "send_hour" text;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "send_zone" text;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "sent_by_itself_until" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "chain" ADD COLUMN "sent_by_itself" jsonb;--> statement-breakpoint
ALTER TABLE "terminal_event" ADD COLUMN "clock_skew" bigint;--> statement-breakpoint
CREATE INDEX "audit_entry_at" ON "audit_entry" USING btree ("at");--> statement-breakpoint
CREATE INDEX "audit_entry_puts" ON "audit_entry" USING gin (("after" -> 'puts') jsonb_path_ops);