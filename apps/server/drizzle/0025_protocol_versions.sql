ALTER TABLE "campaign" ADD COLUMN "protocols" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "protocol_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_protocol_version_check" CHECK ("run"."protocol_version" between 1 and 1000);--> statement-breakpoint
UPDATE "campaign" SET "protocols" = jsonb_build_array(jsonb_build_object('kind', "evening_plan"."kind", 'stepCount', "evening_plan"."step_count", 'holdS', "evening_plan"."hold_s")) FROM "evening_plan" WHERE "evening_plan"."campaign_id" = "campaign"."id";
