CREATE TABLE "terminal_event" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"terminal" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"holds" bigint,
	"problem" text
);
--> statement-breakpoint
ALTER TABLE "terminal_event" ADD CONSTRAINT "terminal_event_terminal_terminal_id_fk" FOREIGN KEY ("terminal") REFERENCES "public"."terminal"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "terminal_event_terminal" ON "terminal_event" USING btree ("terminal","id");