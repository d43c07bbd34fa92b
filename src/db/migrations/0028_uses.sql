CREATE TABLE "use_count" (
	"key" text PRIMARY KEY NOT NULL,
	"taken" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "use_hold" (
	"terminal" text NOT NULL,
	"basket" text NOT NULL,
	"key" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	CONSTRAINT "use_hold_terminal_basket_key_pk" PRIMARY KEY("terminal","basket","key")
);
--> statement-breakpoint
CREATE TABLE "use_taken" (
	"terminal" text NOT NULL,
	"basket" text NOT NULL,
	"key" text NOT NULL,
	"span" text,
	"promotion" text NOT NULL,
	"store" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"told_at" timestamp with time zone DEFAULT now() NOT NULL,
	"over" boolean NOT NULL,
	CONSTRAINT "use_taken_terminal_basket_key_pk" PRIMARY KEY("terminal","basket","key")
);
--> statement-breakpoint
CREATE INDEX "use_hold_key" ON "use_hold" USING btree ("key");--> statement-breakpoint
CREATE INDEX "use_taken_key" ON "use_taken" USING btree ("key");--> statement-breakpoint
CREATE INDEX "use_taken_promotion" ON "use_taken" USING btree ("promotion","at");