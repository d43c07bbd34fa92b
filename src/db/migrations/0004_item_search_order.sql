CREATE INDEX "item_position" ON "item" USING btree ("position");--> statement-breakpoint
CREATE INDEX "item_sku_typed" ON "item" USING btree (lower("sku"));--> statement-breakpoint
CREATE INDEX "item_name_start" ON "item" USING btree (lower("name") text_pattern_ops);