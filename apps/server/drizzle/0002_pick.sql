ALTER TABLE "craft" DROP CONSTRAINT "craft_kind_check";--> statement-breakpoint
ALTER TABLE "craft" ALTER COLUMN "kind" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "craft" ALTER COLUMN "diagonal_m" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "bore_diameter_m" double precision;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "bag_price" double precision;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "bag_count" integer;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "wanted_count" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "wanted_craft_id" uuid;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "layout" text DEFAULT 'quadX' NOT NULL;--> statement-breakpoint
ALTER TABLE "craft" ALTER COLUMN "layout" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "arms" jsonb;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "boom_clearance_m" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "shaft_diameter_m" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "use" text;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "weights" jsonb;--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_bore_diameter_m_check" CHECK ("prop_model"."bore_diameter_m" between 0.0005 and 0.03);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_bag_price_check" CHECK ("prop_model"."bag_price" between 0.01 and 100000);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_bag_count_check" CHECK ("prop_model"."bag_count" between 1 and 100);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_wanted_count_check" CHECK ("prop_model"."wanted_count" between 0 and 100);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_layout_check" CHECK ("craft"."layout" in ('quadX', 'quadPlus', 'quadH', 'tri', 'hexX', 'hexPlus', 'octoX', 'octoPlus', 'y6', 'x8', 'custom', 'tractor', 'pusher', 'twinTractor', 'twinPusher'));--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_use_check" CHECK ("craft"."use" in ('indoorCourse', 'openCourse', 'freestyle', 'smoothFilming', 'longEndurance', 'heavyLift', 'quietNeighbourhood', 'windySite', 'parkPlaneShort', 'parkPlaneSpeed'));--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_boom_clearance_m_check" CHECK ("craft"."boom_clearance_m" between 0.01 and 3);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_shaft_diameter_m_check" CHECK ("craft"."shaft_diameter_m" between 0.0005 and 0.03);