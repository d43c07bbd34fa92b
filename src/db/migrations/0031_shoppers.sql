CREATE SEQUENCE "public"."shopper_number" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 10001 CACHE 1;--> statement-breakpoint
CREATE TABLE "join_request" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "join_request_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"shopper_group" text NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"word" text NOT NULL,
	"asked_at" timestamp with time zone NOT NULL,
	"proof" "bytea",
	"tries" integer DEFAULT 0 NOT NULL,
	"answer" text,
	"answered_by" text,
	"answered_at" timestamp with time zone,
	"person" text
);
--> statement-breakpoint
CREATE TABLE "person_group" (
	"person" text NOT NULL,
	"shopper_group" text NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "person_group_person_shopper_group_pk" PRIMARY KEY("person","shopper_group")
);
--> statement-breakpoint
CREATE TABLE "shopper_card" (
	"hash" "bytea" PRIMARY KEY NOT NULL,
	"person" text NOT NULL,
	"last_digits" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shopper_order" (
	"terminal" text NOT NULL,
	"basket" text NOT NULL,
	"person" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"paid" bigint NOT NULL,
	CONSTRAINT "shopper_order_terminal_basket_pk" PRIMARY KEY("terminal","basket")
);
--> statement-breakpoint
CREATE TABLE "shopper_person" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text,
	"email" text,
	"orders" integer DEFAULT 0 NOT NULL,
	"spent" bigint DEFAULT 0 NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "shopper_person_counts" CHECK ("shopper_person"."orders" >= 0 and "shopper_person"."spent" >= 0)
);
--> statement-breakpoint
ALTER TABLE "shopper" ADD COLUMN "name" text;--> statement-breakpoint
ALTER TABLE "shopper" ADD COLUMN "account" text;--> statement-breakpoint
ALTER TABLE "shopper" ADD COLUMN "price_list" text;--> statement-breakpoint
ALTER TABLE "shopper_group" ADD COLUMN "cards" jsonb;--> statement-breakpoint
ALTER TABLE "shopper_group" ADD COLUMN "joining" boolean;--> statement-breakpoint
ALTER TABLE "join_request" ADD CONSTRAINT "join_request_person_shopper_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."shopper_person"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_group" ADD CONSTRAINT "person_group_person_shopper_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."shopper_person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper_card" ADD CONSTRAINT "shopper_card_person_shopper_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."shopper_person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper_order" ADD CONSTRAINT "shopper_order_person_shopper_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."shopper_person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "join_request_waiting" ON "join_request" USING btree ("asked_at") WHERE "join_request"."answer" is null;--> statement-breakpoint
CREATE INDEX "person_group_group" ON "person_group" USING btree ("shopper_group");--> statement-breakpoint
CREATE INDEX "shopper_card_person" ON "shopper_card" USING btree ("person");--> statement-breakpoint
CREATE INDEX "shopper_order_person" ON "shopper_order" USING btree ("person","at");--> statement-breakpoint
ALTER TABLE "shopper" ADD CONSTRAINT "shopper_account_shopper_id_fk" FOREIGN KEY ("account") REFERENCES "public"."shopper"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper" ADD CONSTRAINT "shopper_price_list_price_list_id_fk" FOREIGN KEY ("price_list") REFERENCES "public"."price_list"("id") ON DELETE no action ON UPDATE no action;