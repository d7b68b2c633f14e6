ALTER TABLE "evening_plan" DROP CONSTRAINT "evening_plan_kind_check";--> statement-breakpoint
ALTER TABLE "evening_plan" DROP CONSTRAINT "evening_plan_hold_s_check";--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "kit_id" uuid;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "findings" jsonb;--> statement-breakpoint
ALTER TABLE "evening_plan" ADD COLUMN "throttles" double precision[];--> statement-breakpoint
ALTER TABLE "evening_plan" ADD CONSTRAINT "evening_plan_kind_check" CHECK ("evening_plan"."kind" in ('full', 'ladder', 'own', 'ramp', 'burst', 'coast', 'hold'));--> statement-breakpoint
ALTER TABLE "evening_plan" ADD CONSTRAINT "evening_plan_hold_s_check" CHECK ("evening_plan"."hold_s" between 1 and 600);