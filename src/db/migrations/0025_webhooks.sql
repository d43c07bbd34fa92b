CREATE TABLE "webhook" (
	"id" text PRIMARY KEY NOT NULL,
	"url" text NOT NULL,
	"events" text[] NOT NULL,
	"secret" text NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "webhook_call" (
	"id" text PRIMARY KEY NOT NULL,
	"webhook" text NOT NULL,
	"body" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"due" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"taken_at" timestamp with time zone,
	"said" text
);
--> statement-breakpoint
CREATE TABLE "webhook_event" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"webhook" text NOT NULL,
	"told" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "webhook" ADD CONSTRAINT "webhook_made_by_person_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "webhook_call" ADD CONSTRAINT "webhook_call_webhook_webhook_id_fk" FOREIGN KEY ("webhook") REFERENCES "public"."webhook"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "webhook_event" ADD CONSTRAINT "webhook_event_webhook_webhook_id_fk" FOREIGN KEY ("webhook") REFERENCES "public"."webhook"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "webhook_call_due" ON "webhook_call" USING btree ("due");--> statement-breakpoint
CREATE INDEX "webhook_call_webhook" ON "webhook_call" USING btree ("webhook","at");