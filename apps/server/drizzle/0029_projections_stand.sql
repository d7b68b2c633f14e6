DROP INDEX "piece_life_state_index";--> statement-breakpoint
DROP INDEX "piece_life_craft_id_index";--> statement-breakpoint
ALTER TABLE "stock_level" ADD COLUMN "workshop_id" uuid;--> statement-breakpoint
ALTER TABLE "stand_fact" ADD COLUMN "workshop_id" uuid;--> statement-breakpoint
ALTER TABLE "piece_life" ADD COLUMN "workshop_id" uuid;--> statement-breakpoint
UPDATE "stock_level" s SET "workshop_id" = m."workshop_id" FROM "prop_model" m WHERE m."id" = s."prop_model_id";--> statement-breakpoint
UPDATE "stand_fact" s SET "workshop_id" = r."workshop_id" FROM "run" r WHERE r."id" = s."run_id";--> statement-breakpoint
UPDATE "piece_life" l SET "workshop_id" = p."workshop_id" FROM "prop_piece" p WHERE p."id" = l."piece_id";--> statement-breakpoint
ALTER TABLE "stock_level" ALTER COLUMN "workshop_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "stand_fact" ALTER COLUMN "workshop_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "piece_life" ALTER COLUMN "workshop_id" SET NOT NULL;--> statement-breakpoint
-- An arm holds one piece. Where earlier rules let two onto one, or one onto a craft that is not there, the one that came
-- last stays; the others come off, and the ledger says so.
CREATE TEMPORARY TABLE "comes_off" AS
SELECT l."piece_id", l."workshop_id" FROM "piece_life" l
LEFT JOIN "craft" c ON c."id" = l."craft_id"
WHERE l."craft_id" IS NOT NULL AND (c."id" IS NULL OR EXISTS (
  SELECT 1 FROM "piece_life" o
  WHERE o."craft_id" = l."craft_id" AND o."place" = l."place" AND o."level" = l."level"
    AND (o."touched_at", o."piece_id") > (l."touched_at", l."piece_id")
));--> statement-breakpoint
UPDATE "piece_life" l
SET "state" = 'resting', "craft_id" = NULL, "place" = NULL, "level" = 0, "is_trued_dynamic" = false, "touched_at" = now()
FROM "comes_off" o WHERE o."piece_id" = l."piece_id";--> statement-breakpoint
INSERT INTO "event" ("workshop_id", "at", "kind", "subject_id", "fact")
SELECT o."workshop_id", now(), 'pieceRemoved', o."piece_id",
  jsonb_build_object('kind', 'pieceRemoved', 'pieceId', o."piece_id", 'reason', 'Another piece is on its arm.')
FROM "comes_off" o;--> statement-breakpoint
DROP TABLE "comes_off";--> statement-breakpoint
UPDATE "piece_life" l SET "set_id" = NULL
WHERE l."set_id" IS NOT NULL AND NOT EXISTS (SELECT 1 FROM "piece_set" s WHERE s."id" = l."set_id");--> statement-breakpoint
UPDATE "run" SET "replaces_run_id" = NULL WHERE "replaces_run_id" = "id";--> statement-breakpoint
ALTER TABLE "stock_level" ADD CONSTRAINT "stock_level_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stand_fact" ADD CONSTRAINT "stand_fact_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_life" ADD CONSTRAINT "piece_life_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_life" ADD CONSTRAINT "piece_life_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_life" ADD CONSTRAINT "piece_life_set_id_piece_set_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."piece_set"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_replaces_check" CHECK ("run"."replaces_run_id" <> "run"."id");--> statement-breakpoint
CREATE INDEX "stock_level_workshop_id_index" ON "stock_level" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "stand_fact_workshop_id_index" ON "stand_fact" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "piece_life_workshop_id_state_index" ON "piece_life" USING btree ("workshop_id","state");--> statement-breakpoint
CREATE UNIQUE INDEX "piece_life_arm_unique" ON "piece_life" USING btree ("craft_id","place","level");--> statement-breakpoint
ALTER TABLE "true_up" RENAME COLUMN "looks" TO "observations";--> statement-breakpoint
UPDATE "true_up" SET "corrections" = (
  SELECT jsonb_agg((c - 'lookCount') || jsonb_build_object('observationCount', c->'lookCount') ORDER BY n)
  FROM jsonb_array_elements("corrections") WITH ORDINALITY AS e(c, n)
) WHERE jsonb_array_length("corrections") > 0;--> statement-breakpoint
ALTER TABLE "gain_sheet" RENAME COLUMN "looks" TO "test_flights";
