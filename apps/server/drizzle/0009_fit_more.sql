ALTER TABLE "craft" DROP CONSTRAINT "craft_layout_check";--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "gear_ratio" double precision;--> statement-breakpoint
ALTER TABLE "fitting" ADD COLUMN "side_thrust" text;--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_gear_ratio_check" CHECK ("craft"."gear_ratio" between -20 and 20);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_layout_check" CHECK ("craft"."layout" in ('quadX', 'quadPlus', 'quadH', 'quadVTail', 'tri', 'hexX', 'hexPlus', 'octoX', 'octoPlus', 'y6', 'x8', 'custom', 'tractor', 'pusher', 'twinTractor', 'twinPusher'));--> statement-breakpoint
ALTER TABLE "fitting" ADD CONSTRAINT "fitting_side_thrust_check" CHECK ("fitting"."side_thrust" in ('none', 'left', 'right'));