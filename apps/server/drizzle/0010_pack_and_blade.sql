ALTER TABLE "pack_piece" ADD COLUMN "c_rating" double precision;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "planform" text;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "chord75_m" double precision;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "angle75_rad" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "pack_piece_id" uuid;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "pack_cell_resistance_ohm" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "pack_c_rating" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "standby_power_w" double precision;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "duct_thrust_ratio" double precision;--> statement-breakpoint
CREATE INDEX "craft_pack_piece_id_index" ON "craft" USING btree ("pack_piece_id");--> statement-breakpoint
ALTER TABLE "pack_piece" ADD CONSTRAINT "pack_piece_c_rating_check" CHECK ("pack_piece"."c_rating" between 1 and 400);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_planform_check" CHECK ("prop_model"."planform" in ('slim', 'usual', 'broad'));--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_chord75_m_check" CHECK ("prop_model"."chord75_m" between 0.001 and 0.2);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_angle75_rad_check" CHECK ("prop_model"."angle75_rad" between 0.035 and 0.785);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_pack_cell_resistance_ohm_check" CHECK ("craft"."pack_cell_resistance_ohm" between 0.0001 and 1);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_pack_c_rating_check" CHECK ("craft"."pack_c_rating" between 1 and 400);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_standby_power_w_check" CHECK ("craft"."standby_power_w" between 0 and 2000);--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_duct_thrust_ratio_check" CHECK ("craft"."duct_thrust_ratio" between 0.7 and 1.5);