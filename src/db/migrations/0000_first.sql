CREATE TABLE "chain" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"currency" text NOT NULL,
	"price_change_policy" text DEFAULT 'priority' NOT NULL,
	"basket_policy" text DEFAULT 'best' NOT NULL,
	"margin_floor" integer,
	"plan_version" bigint DEFAULT 1 NOT NULL,
	CONSTRAINT "chain_one_row" CHECK ("chain"."id" = 1),
	CONSTRAINT "chain_currency" CHECK ("chain"."currency" ~ '^[A-Z]{3}$'),
	CONSTRAINT "chain_price_change_policy" CHECK ("chain"."price_change_policy" in ('priority', 'lowest')),
	CONSTRAINT "chain_basket_policy" CHECK ("chain"."basket_policy" in ('best', 'priority')),
	CONSTRAINT "chain_margin_floor" CHECK ("chain"."margin_floor" between 0 and 10000)
);
--> statement-breakpoint
CREATE TABLE "item" (
	"sku" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"node" text NOT NULL,
	"gtin" text,
	"brand" text,
	"parent" text,
	"unit" text DEFAULT 'each' NOT NULL,
	"weight" text,
	"cost" bigint,
	"attributes" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"tags" text[] DEFAULT '{}' NOT NULL,
	"position" integer NOT NULL,
	CONSTRAINT "item_unit" CHECK ("item"."unit" in ('each', 'kg', 'l', 'm')),
	CONSTRAINT "item_cost" CHECK ("item"."cost" >= 0),
	CONSTRAINT "item_gtin" CHECK ("item"."gtin" ~ '^([0-9]{8}|[0-9]{12,14})$'),
	CONSTRAINT "item_not_its_own_parent" CHECK ("item"."parent" <> "item"."sku")
);
--> statement-breakpoint
CREATE TABLE "item_price" (
	"id" serial PRIMARY KEY NOT NULL,
	"sku" text NOT NULL,
	"zone" text,
	"store" text,
	"since" date,
	"price" bigint NOT NULL,
	CONSTRAINT "item_price_one_a_day" UNIQUE NULLS NOT DISTINCT("sku","zone","store","since"),
	CONSTRAINT "item_price_one_scope" CHECK (num_nonnulls("item_price"."zone", "item_price"."store") <= 1),
	CONSTRAINT "item_price_not_negative" CHECK ("item_price"."price" >= 0)
);
--> statement-breakpoint
CREATE TABLE "item_set" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"rule" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "node" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"parent" text,
	"position" integer NOT NULL,
	CONSTRAINT "node_not_its_own_parent" CHECK ("node"."parent" <> "node"."id")
);
--> statement-breakpoint
CREATE TABLE "price_list" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"percent" integer,
	"rounding" jsonb,
	CONSTRAINT "price_list_percent" CHECK ("price_list"."percent" between -10000 and 10000)
);
--> statement-breakpoint
CREATE TABLE "price_list_price" (
	"list" text NOT NULL,
	"sku" text NOT NULL,
	"price" bigint NOT NULL,
	CONSTRAINT "price_list_price_list_sku_pk" PRIMARY KEY("list","sku"),
	CONSTRAINT "price_list_price_not_negative" CHECK ("price_list_price"."price" >= 0)
);
--> statement-breakpoint
CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"role" text DEFAULT 'viewer' NOT NULL,
	CONSTRAINT "person_email_unique" UNIQUE("email"),
	CONSTRAINT "person_role" CHECK ("person"."role" in ('viewer', 'planner', 'approver', 'store', 'administrator'))
);
--> statement-breakpoint
CREATE TABLE "person_store" (
	"person" text NOT NULL,
	"store" text NOT NULL,
	CONSTRAINT "person_store_person_store_pk" PRIMARY KEY("person","store")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "range" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"stores" jsonb NOT NULL,
	"items" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "store" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"zone" text,
	"region" text,
	"tags" text[] DEFAULT '{}' NOT NULL,
	CONSTRAINT "store_time_zone" CHECK ("store"."time_zone" !~ '^[+-]')
);
--> statement-breakpoint
CREATE TABLE "store_group" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"rule" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "terminal" (
	"id" text PRIMARY KEY NOT NULL,
	"store" text NOT NULL,
	"tags" text[] DEFAULT '{}' NOT NULL,
	"key_hash" text,
	CONSTRAINT "terminal_keyHash_unique" UNIQUE("key_hash"),
	CONSTRAINT "terminal_key_hash" CHECK ("terminal"."key_hash" ~ '^[0-9a-f]{64}$')
);
--> statement-breakpoint
CREATE TABLE "zone" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "promotion" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"label" jsonb,
	"notes" text,
	"status" text NOT NULL,
	"priority" integer,
	"alone" boolean,
	"starts_from" text,
	"where_rule" jsonb,
	"channels" text[],
	"terminals" text[],
	"starts_at" timestamp NOT NULL,
	"ends_at" timestamp,
	"windows" jsonb,
	"rrule" text,
	"duration" text,
	"except_dates" date[],
	"who" jsonb,
	"uses" jsonb,
	"limit_per_basket" integer,
	"kind" text NOT NULL,
	"offer" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_by" text,
	"updated_by" text,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "promotion_status" CHECK ("promotion"."status" in ('draft', 'approved', 'paused', 'archived')),
	CONSTRAINT "promotion_priority" CHECK ("promotion"."priority" >= 1),
	CONSTRAINT "promotion_ends_after_it_starts" CHECK ("promotion"."ends_at" > "promotion"."starts_at"),
	CONSTRAINT "promotion_starts_from" CHECK ("promotion"."starts_from" in ('tag', 'base')),
	CONSTRAINT "promotion_repeat" CHECK (num_nonnulls("promotion"."rrule", "promotion"."duration") <> 1),
	CONSTRAINT "promotion_limit" CHECK ("promotion"."limit_per_basket" >= 1),
	CONSTRAINT "promotion_kind" CHECK ("promotion"."offer" ->> 'kind' = "promotion"."kind"),
	CONSTRAINT "promotion_alone" CHECK (not (coalesce("promotion"."alone", false) and ("promotion"."kind" = 'basketReward' or coalesce(("promotion"."offer" ->> 'onTop')::boolean, false))))
);
--> statement-breakpoint
CREATE TABLE "promotion_code" (
	"promotion" text NOT NULL,
	"code" text NOT NULL,
	CONSTRAINT "promotion_code_promotion_code_pk" PRIMARY KEY("promotion","code")
);
--> statement-breakpoint
CREATE TABLE "rule_reference" (
	"id" serial PRIMARY KEY NOT NULL,
	"of_promotion" text,
	"of_item_set" text,
	"of_store_group" text,
	"of_range" text,
	"item" text,
	"node" text,
	"item_set" text,
	"store" text,
	"store_group" text,
	"zone" text,
	CONSTRAINT "rule_reference_one_owner" CHECK (num_nonnulls("rule_reference"."of_promotion", "rule_reference"."of_item_set", "rule_reference"."of_store_group", "rule_reference"."of_range") = 1),
	CONSTRAINT "rule_reference_one_target" CHECK (num_nonnulls("rule_reference"."item", "rule_reference"."node", "rule_reference"."item_set", "rule_reference"."store", "rule_reference"."store_group", "rule_reference"."zone") = 1)
);
--> statement-breakpoint
CREATE TABLE "audit_entry" (
	"id" serial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"person" text,
	"action" text NOT NULL,
	"subject_kind" text NOT NULL,
	"subject" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	"plan_version" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "price_file" (
	"store" text NOT NULL,
	"number" integer NOT NULL,
	"rollout" integer NOT NULL,
	"content" "bytea" NOT NULL,
	"sha256" text NOT NULL,
	"signature" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "price_file_store_number_pk" PRIMARY KEY("store","number"),
	CONSTRAINT "price_file_number" CHECK ("price_file"."number" >= 1)
);
--> statement-breakpoint
CREATE TABLE "rollout" (
	"id" serial PRIMARY KEY NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_by" text NOT NULL,
	"plan_version" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "signing_key" (
	"id" serial PRIMARY KEY NOT NULL,
	"public_key" text NOT NULL,
	"private_key" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "terminal_state" (
	"terminal" text PRIMARY KEY NOT NULL,
	"holds" integer,
	"held_since" timestamp with time zone,
	"last_seen" timestamp with time zone NOT NULL,
	"clock_skew" integer,
	"problem" text
);
--> statement-breakpoint
CREATE TABLE "shopper" (
	"id" text PRIMARY KEY NOT NULL,
	"past_orders" integer,
	"lifetime_spend" bigint,
	CONSTRAINT "shopper_counts" CHECK (coalesce("shopper"."past_orders", 0) >= 0 and coalesce("shopper"."lifetime_spend", 0) >= 0)
);
--> statement-breakpoint
CREATE TABLE "shopper_group" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"price_list" text
);
--> statement-breakpoint
CREATE TABLE "shopper_membership" (
	"shopper" text NOT NULL,
	"shopper_group" text NOT NULL,
	CONSTRAINT "shopper_membership_shopper_shopper_group_pk" PRIMARY KEY("shopper","shopper_group")
);
--> statement-breakpoint
ALTER TABLE "item" ADD CONSTRAINT "item_node_node_id_fk" FOREIGN KEY ("node") REFERENCES "public"."node"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item" ADD CONSTRAINT "item_parent_item_sku_fk" FOREIGN KEY ("parent") REFERENCES "public"."item"("sku") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item_price" ADD CONSTRAINT "item_price_sku_item_sku_fk" FOREIGN KEY ("sku") REFERENCES "public"."item"("sku") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item_price" ADD CONSTRAINT "item_price_zone_zone_id_fk" FOREIGN KEY ("zone") REFERENCES "public"."zone"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item_price" ADD CONSTRAINT "item_price_store_store_id_fk" FOREIGN KEY ("store") REFERENCES "public"."store"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "node" ADD CONSTRAINT "node_parent_node_id_fk" FOREIGN KEY ("parent") REFERENCES "public"."node"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price_list_price" ADD CONSTRAINT "price_list_price_list_price_list_id_fk" FOREIGN KEY ("list") REFERENCES "public"."price_list"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price_list_price" ADD CONSTRAINT "price_list_price_sku_item_sku_fk" FOREIGN KEY ("sku") REFERENCES "public"."item"("sku") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_person_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_store" ADD CONSTRAINT "person_store_person_person_id_fk" FOREIGN KEY ("person") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_store" ADD CONSTRAINT "person_store_store_store_id_fk" FOREIGN KEY ("store") REFERENCES "public"."store"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_person_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "store" ADD CONSTRAINT "store_zone_zone_id_fk" FOREIGN KEY ("zone") REFERENCES "public"."zone"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "terminal" ADD CONSTRAINT "terminal_store_store_id_fk" FOREIGN KEY ("store") REFERENCES "public"."store"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "promotion_code" ADD CONSTRAINT "promotion_code_promotion_promotion_id_fk" FOREIGN KEY ("promotion") REFERENCES "public"."promotion"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_of_promotion_promotion_id_fk" FOREIGN KEY ("of_promotion") REFERENCES "public"."promotion"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_of_item_set_item_set_id_fk" FOREIGN KEY ("of_item_set") REFERENCES "public"."item_set"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_of_store_group_store_group_id_fk" FOREIGN KEY ("of_store_group") REFERENCES "public"."store_group"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_of_range_range_id_fk" FOREIGN KEY ("of_range") REFERENCES "public"."range"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_item_item_sku_fk" FOREIGN KEY ("item") REFERENCES "public"."item"("sku") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_node_node_id_fk" FOREIGN KEY ("node") REFERENCES "public"."node"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_item_set_item_set_id_fk" FOREIGN KEY ("item_set") REFERENCES "public"."item_set"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_store_store_id_fk" FOREIGN KEY ("store") REFERENCES "public"."store"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_store_group_store_group_id_fk" FOREIGN KEY ("store_group") REFERENCES "public"."store_group"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_reference" ADD CONSTRAINT "rule_reference_zone_zone_id_fk" FOREIGN KEY ("zone") REFERENCES "public"."zone"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price_file" ADD CONSTRAINT "price_file_store_store_id_fk" FOREIGN KEY ("store") REFERENCES "public"."store"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price_file" ADD CONSTRAINT "price_file_rollout_rollout_id_fk" FOREIGN KEY ("rollout") REFERENCES "public"."rollout"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "terminal_state" ADD CONSTRAINT "terminal_state_terminal_terminal_id_fk" FOREIGN KEY ("terminal") REFERENCES "public"."terminal"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper_group" ADD CONSTRAINT "shopper_group_price_list_price_list_id_fk" FOREIGN KEY ("price_list") REFERENCES "public"."price_list"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper_membership" ADD CONSTRAINT "shopper_membership_shopper_shopper_id_fk" FOREIGN KEY ("shopper") REFERENCES "public"."shopper"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shopper_membership" ADD CONSTRAINT "shopper_membership_shopper_group_shopper_group_id_fk" FOREIGN KEY ("shopper_group") REFERENCES "public"."shopper_group"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "item_node" ON "item" USING btree ("node");--> statement-breakpoint
CREATE INDEX "item_brand" ON "item" USING btree ("brand");--> statement-breakpoint
CREATE INDEX "item_gtin_lookup" ON "item" USING btree ("gtin");--> statement-breakpoint
CREATE INDEX "terminal_store" ON "terminal" USING btree ("store");--> statement-breakpoint
CREATE INDEX "promotion_span" ON "promotion" USING btree ("starts_at","ends_at");--> statement-breakpoint
CREATE INDEX "audit_entry_subject" ON "audit_entry" USING btree ("subject_kind","subject");--> statement-breakpoint
CREATE INDEX "audit_entry_version" ON "audit_entry" USING btree ("plan_version");--> statement-breakpoint
CREATE INDEX "price_file_rollout" ON "price_file" USING btree ("rollout");