CREATE TABLE "spare_part" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"name" text NOT NULL,
	"count" integer NOT NULL,
	"per_piece_count" integer NOT NULL,
	CONSTRAINT "spare_part_count_check" CHECK ("spare_part"."count" between 0 and 100000),
	CONSTRAINT "spare_part_per_piece_count_check" CHECK ("spare_part"."per_piece_count" between 1 and 12)
);
--> statement-breakpoint
CREATE TABLE "piece_life" (
	"piece_id" uuid PRIMARY KEY NOT NULL,
	"state" text NOT NULL,
	"state_before" text,
	"retired_as" text,
	"craft_id" uuid,
	"place" text,
	"level" integer NOT NULL,
	"set_id" uuid,
	"location" text,
	"is_trued_static" boolean NOT NULL,
	"is_trued_dynamic" boolean NOT NULL,
	"touched_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "batch" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"prop_model_id" uuid NOT NULL,
	"resolution_kg" double precision NOT NULL,
	"location" text,
	"note" text,
	CONSTRAINT "batch_resolution_kg_check" CHECK ("batch"."resolution_kg" between 0.000001 and 0.01)
);
--> statement-breakpoint
CREATE TABLE "piece_set" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"name" text NOT NULL,
	"craft_id" uuid
);
--> statement-breakpoint
CREATE TABLE "prop_piece" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"serial_number" integer NOT NULL,
	"tag" text NOT NULL,
	"prop_model_id" uuid NOT NULL,
	"batch_id" uuid,
	"hand" text NOT NULL,
	"mass_kg" double precision,
	"diameter_m" double precision,
	"bore_fit" text,
	"look" text,
	"hub_thickness_m" double precision,
	"droop_m" double precision,
	"colour" text,
	"note" text,
	"photo_sha256" text,
	CONSTRAINT "prop_piece_hand_check" CHECK ("prop_piece"."hand" in ('cw', 'ccw', 'either')),
	CONSTRAINT "prop_piece_bore_fit_check" CHECK ("prop_piece"."bore_fit" in ('fits', 'needsRing', 'needsReaming', 'ringFitted', 'reamed')),
	CONSTRAINT "prop_piece_look_check" CHECK ("prop_piece"."look" in ('good', 'flash', 'warped', 'nick', 'crack', 'void')),
	CONSTRAINT "prop_piece_mass_kg_check" CHECK ("prop_piece"."mass_kg" between 0.00005 and 3),
	CONSTRAINT "prop_piece_diameter_m_check" CHECK ("prop_piece"."diameter_m" between 0.02 and 1.1),
	CONSTRAINT "prop_piece_hub_thickness_m_check" CHECK ("prop_piece"."hub_thickness_m" between 0.0005 and 0.08),
	CONSTRAINT "prop_piece_droop_m_check" CHECK ("prop_piece"."droop_m" between 0.00005 and 0.2)
);
--> statement-breakpoint
ALTER TABLE "motor_piece" ADD COLUMN "bearing" text;--> statement-breakpoint
ALTER TABLE "motor_piece" ADD COLUMN "shaft_play_m" double precision;--> statement-breakpoint
ALTER TABLE "motor_piece" ADD COLUMN "note" text;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "mount_kind" text;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "hub_thickness_m" double precision;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "cw_letters" text;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "ccw_letters" text;--> statement-breakpoint
ALTER TABLE "prop_model" ADD COLUMN "cut_from_model_id" uuid;--> statement-breakpoint
ALTER TABLE "spare_part" ADD CONSTRAINT "spare_part_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "spare_part" ADD CONSTRAINT "spare_part_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_set" ADD CONSTRAINT "piece_set_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_set" ADD CONSTRAINT "piece_set_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_set" ADD CONSTRAINT "piece_set_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_piece" ADD CONSTRAINT "prop_piece_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_piece" ADD CONSTRAINT "prop_piece_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_piece" ADD CONSTRAINT "prop_piece_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_piece" ADD CONSTRAINT "prop_piece_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "spare_part_workshop_id_name_index" ON "spare_part" USING btree ("workshop_id","name");--> statement-breakpoint
CREATE INDEX "spare_part_person_id_index" ON "spare_part" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "piece_life_state_index" ON "piece_life" USING btree ("state");--> statement-breakpoint
CREATE INDEX "piece_life_craft_id_index" ON "piece_life" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "piece_life_set_id_index" ON "piece_life" USING btree ("set_id");--> statement-breakpoint
CREATE INDEX "batch_workshop_id_created_at_index" ON "batch" USING btree ("workshop_id","created_at");--> statement-breakpoint
CREATE INDEX "batch_prop_model_id_index" ON "batch" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "batch_person_id_index" ON "batch" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "piece_set_workshop_id_name_index" ON "piece_set" USING btree ("workshop_id","name");--> statement-breakpoint
CREATE INDEX "piece_set_craft_id_index" ON "piece_set" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "piece_set_person_id_index" ON "piece_set" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "prop_piece_tag_unique" ON "prop_piece" USING btree ("workshop_id","tag");--> statement-breakpoint
CREATE INDEX "prop_piece_prop_model_id_index" ON "prop_piece" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "prop_piece_batch_id_index" ON "prop_piece" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "prop_piece_person_id_index" ON "prop_piece" USING btree ("person_id");--> statement-breakpoint
ALTER TABLE "motor_piece" ADD CONSTRAINT "motor_piece_bearing_check" CHECK ("motor_piece"."bearing" in ('smooth', 'dry', 'gritty'));--> statement-breakpoint
ALTER TABLE "motor_piece" ADD CONSTRAINT "motor_piece_shaft_play_m_check" CHECK ("motor_piece"."shaft_play_m" between 0 and 0.01);--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_mount_kind_check" CHECK ("prop_model"."mount_kind" in ('nut', 'twoScrews', 'axialScrew', 'sideScrew', 'pushOn', 'collet', 'rubberRing', 'quickLock'));--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_hub_thickness_m_check" CHECK ("prop_model"."hub_thickness_m" between 0.0005 and 0.08);