CREATE TABLE "person" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "workshop" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"created_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "air_reading" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"temperature_c" double precision NOT NULL,
	"pressure_pa" double precision NOT NULL,
	"humidity_ratio" double precision NOT NULL,
	CONSTRAINT "air_reading_temperature_c_check" CHECK ("air_reading"."temperature_c" between -40 and 55),
	CONSTRAINT "air_reading_pressure_pa_check" CHECK ("air_reading"."pressure_pa" between 45000 and 110000),
	CONSTRAINT "air_reading_humidity_ratio_check" CHECK ("air_reading"."humidity_ratio" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "motor_piece" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"tag" text NOT NULL,
	"craft_id" uuid,
	"place" text,
	"hours" double precision DEFAULT 0 NOT NULL,
	"over_limit_count" integer DEFAULT 0 NOT NULL,
	"strike_count" integer DEFAULT 0 NOT NULL,
	"shaft_run_out_m" double precision,
	CONSTRAINT "motor_piece_hours_check" CHECK ("motor_piece"."hours" between 0 and 100000),
	CONSTRAINT "motor_piece_over_limit_count_check" CHECK ("motor_piece"."over_limit_count" between 0 and 100000),
	CONSTRAINT "motor_piece_strike_count_check" CHECK ("motor_piece"."strike_count" between 0 and 100000),
	CONSTRAINT "motor_piece_shaft_run_out_m_check" CHECK ("motor_piece"."shaft_run_out_m" between 0 and 0.01)
);
--> statement-breakpoint
CREATE TABLE "pack_piece" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"tag" text NOT NULL,
	"chemistry" text NOT NULL,
	"series_count" integer NOT NULL,
	"parallel_count" integer NOT NULL,
	"capacity_ah" double precision NOT NULL,
	"cell_resistance_ohm" double precision,
	CONSTRAINT "pack_piece_chemistry_check" CHECK ("pack_piece"."chemistry" in ('lipo', 'lipoHighVoltage', 'liIon')),
	CONSTRAINT "pack_piece_series_count_check" CHECK ("pack_piece"."series_count" between 1 and 24),
	CONSTRAINT "pack_piece_parallel_count_check" CHECK ("pack_piece"."parallel_count" between 1 and 20),
	CONSTRAINT "pack_piece_capacity_ah_check" CHECK ("pack_piece"."capacity_ah" between 0.03 and 100),
	CONSTRAINT "pack_piece_cell_resistance_ohm_check" CHECK ("pack_piece"."cell_resistance_ohm" between 0.0001 and 1)
);
--> statement-breakpoint
CREATE TABLE "prop_model" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"label" text NOT NULL,
	"maker_name" text,
	"diameter_m" double precision NOT NULL,
	"pitch_m" double precision NOT NULL,
	"blade_count" integer NOT NULL,
	"tip_shape" text NOT NULL,
	"material" text NOT NULL,
	"label_hand" text,
	"measured_diameter_m" double precision,
	"measured_mass_kg" double precision,
	"speed_limit_rpm" double precision,
	"colour" text,
	"note" text,
	"series_index" integer NOT NULL,
	CONSTRAINT "prop_model_diameter_m_check" CHECK ("prop_model"."diameter_m" between 0.02 and 1.1),
	CONSTRAINT "prop_model_pitch_m_check" CHECK ("prop_model"."pitch_m" between 0.003 and 1.2),
	CONSTRAINT "prop_model_blade_count_check" CHECK ("prop_model"."blade_count" between 1 and 8),
	CONSTRAINT "prop_model_measured_diameter_m_check" CHECK ("prop_model"."measured_diameter_m" between 0.02 and 1.1),
	CONSTRAINT "prop_model_measured_mass_kg_check" CHECK ("prop_model"."measured_mass_kg" between 0.00005 and 2),
	CONSTRAINT "prop_model_speed_limit_rpm_check" CHECK ("prop_model"."speed_limit_rpm" between 500 and 120000),
	CONSTRAINT "prop_model_tip_shape_check" CHECK ("prop_model"."tip_shape" in ('pointed', 'standard', 'square')),
	CONSTRAINT "prop_model_material_check" CHECK ("prop_model"."material" in ('polycarbonate', 'glassNylon', 'carbonNylon', 'carbon', 'wood', 'softPlastic', 'printed', 'unknown')),
	CONSTRAINT "prop_model_label_hand_check" CHECK ("prop_model"."label_hand" in ('cw', 'ccw', 'either'))
);
--> statement-breakpoint
CREATE TABLE "craft" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"name" text NOT NULL,
	"owner_name" text,
	"kind" text NOT NULL,
	"mass_kg" double precision NOT NULL,
	"diagonal_m" double precision NOT NULL,
	"clearance_diameter_m" double precision,
	"ground_clearance_m" double precision,
	"rotors" jsonb NOT NULL,
	"motor_label" text NOT NULL,
	"stator_diameter_m" double precision NOT NULL,
	"stator_height_m" double precision NOT NULL,
	"kv_rpm_per_v" double precision NOT NULL,
	"motor_resistance_ohm" double precision NOT NULL,
	"motor_no_load_current_a" double precision NOT NULL,
	"motor_mass_kg" double precision NOT NULL,
	"estimated_fields" text[] NOT NULL,
	"motor_limit_a" double precision,
	"esc_limit_a" double precision,
	"pack_chemistry" text NOT NULL,
	"pack_series_count" integer NOT NULL,
	"pack_parallel_count" integer NOT NULL,
	"pack_capacity_ah" double precision NOT NULL,
	"reference_prop_model_id" uuid,
	"note" text,
	CONSTRAINT "craft_kind_check" CHECK ("craft"."kind" in ('multirotor', 'plane')),
	CONSTRAINT "craft_pack_chemistry_check" CHECK ("craft"."pack_chemistry" in ('lipo', 'lipoHighVoltage', 'liIon')),
	CONSTRAINT "craft_mass_kg_check" CHECK ("craft"."mass_kg" between 0.01 and 60),
	CONSTRAINT "craft_diagonal_m_check" CHECK ("craft"."diagonal_m" between 0.04 and 3),
	CONSTRAINT "craft_clearance_diameter_m_check" CHECK ("craft"."clearance_diameter_m" between 0.02 and 1.1),
	CONSTRAINT "craft_ground_clearance_m_check" CHECK ("craft"."ground_clearance_m" between 0.01 and 3),
	CONSTRAINT "craft_stator_diameter_m_check" CHECK ("craft"."stator_diameter_m" between 0.004 and 0.15),
	CONSTRAINT "craft_stator_height_m_check" CHECK ("craft"."stator_height_m" between 0.0015 and 0.06),
	CONSTRAINT "craft_kv_rpm_per_v_check" CHECK ("craft"."kv_rpm_per_v" between 20 and 60000),
	CONSTRAINT "craft_motor_resistance_ohm_check" CHECK ("craft"."motor_resistance_ohm" between 0.0005 and 20),
	CONSTRAINT "craft_motor_no_load_current_a_check" CHECK ("craft"."motor_no_load_current_a" between 0.005 and 20),
	CONSTRAINT "craft_motor_mass_kg_check" CHECK ("craft"."motor_mass_kg" between 0.0005 and 5),
	CONSTRAINT "craft_motor_limit_a_check" CHECK ("craft"."motor_limit_a" between 0.5 and 500),
	CONSTRAINT "craft_esc_limit_a_check" CHECK ("craft"."esc_limit_a" between 0.5 and 500),
	CONSTRAINT "craft_pack_series_count_check" CHECK ("craft"."pack_series_count" between 1 and 24),
	CONSTRAINT "craft_pack_parallel_count_check" CHECK ("craft"."pack_parallel_count" between 1 and 20),
	CONSTRAINT "craft_pack_capacity_ah_check" CHECK ("craft"."pack_capacity_ah" between 0.03 and 100)
);
--> statement-breakpoint
CREATE TABLE "blob" (
	"sha256" text PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"person_id" uuid,
	"size" bigint NOT NULL,
	"media_type" text NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "campaign" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"name" text NOT NULL,
	"reference_prop_model_id" uuid,
	"protocol_version" integer NOT NULL,
	"temperature_c" double precision NOT NULL,
	"pressure_pa" double precision NOT NULL,
	"humidity_ratio" double precision NOT NULL,
	"gate_cell_v" double precision,
	"note" text,
	CONSTRAINT "campaign_protocol_version_check" CHECK ("campaign"."protocol_version" between 1 and 1000),
	CONSTRAINT "campaign_temperature_c_check" CHECK ("campaign"."temperature_c" between -40 and 55),
	CONSTRAINT "campaign_pressure_pa_check" CHECK ("campaign"."pressure_pa" between 45000 and 110000),
	CONSTRAINT "campaign_humidity_ratio_check" CHECK ("campaign"."humidity_ratio" between 0 and 1),
	CONSTRAINT "campaign_gate_cell_v_check" CHECK ("campaign"."gate_cell_v" between 2 and 4.5)
);
--> statement-breakpoint
CREATE TABLE "run" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"campaign_id" uuid NOT NULL,
	"prop_model_id" uuid NOT NULL,
	"pack_piece_id" uuid,
	"state" text NOT NULL,
	"origin" text NOT NULL,
	"draft" jsonb,
	"resting_cell_v" double precision,
	"zero_before_n" double precision,
	"zero_after_n" double precision,
	"step_count" integer DEFAULT 0 NOT NULL,
	"kept_at" timestamp (3) with time zone,
	"replaces_run_id" uuid,
	"import_blob_sha256" text,
	CONSTRAINT "run_state_check" CHECK ("run"."state" in ('draft', 'kept')),
	CONSTRAINT "run_origin_check" CHECK ("run"."origin" in ('typed', 'imported', 'stand', 'simulated')),
	CONSTRAINT "run_step_count_check" CHECK ("run"."step_count" between 0 and 120),
	CONSTRAINT "run_resting_cell_v_check" CHECK ("run"."resting_cell_v" between 2 and 4.5),
	CONSTRAINT "run_zero_before_n_check" CHECK ("run"."zero_before_n" between -50 and 50),
	CONSTRAINT "run_zero_after_n_check" CHECK ("run"."zero_after_n" between -50 and 50),
	CONSTRAINT "run_kept_check" CHECK (("run"."state" = 'kept') = ("run"."kept_at" is not null))
);
--> statement-breakpoint
CREATE TABLE "run_channel" (
	"run_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	"reading_kind" text NOT NULL,
	"values" double precision[] NOT NULL,
	CONSTRAINT "run_channel_run_id_quantity_pk" PRIMARY KEY("run_id","quantity"),
	CONSTRAINT "run_channel_quantity_check" CHECK ("run_channel"."quantity" in ('throttleRatio', 'thrustN', 'speedRpm', 'currentA', 'voltageV', 'powerW', 'torqueNm', 'temperatureC', 'vibrationMPerS2', 'levelDb')),
	CONSTRAINT "run_channel_reading_kind_check" CHECK ("run_channel"."reading_kind" in ('settledMean', 'peakHold')),
	CONSTRAINT "run_channel_values_check" CHECK (cardinality("run_channel"."values") between 1 and 120)
);
--> statement-breakpoint
CREATE TABLE "run_picture" (
	"run_id" uuid NOT NULL,
	"blob_sha256" text NOT NULL,
	"created_at" timestamp (3) with time zone NOT NULL,
	CONSTRAINT "run_picture_run_id_blob_sha256_pk" PRIMARY KEY("run_id","blob_sha256")
);
--> statement-breakpoint
CREATE TABLE "event" (
	"sequence" bigserial PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"person_id" uuid,
	"at" timestamp (3) with time zone NOT NULL,
	"kind" text NOT NULL,
	"subject_id" uuid NOT NULL,
	"fact" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stand_fact" (
	"run_id" uuid PRIMARY KEY NOT NULL,
	"craft_id" uuid NOT NULL,
	"prop_model_id" uuid NOT NULL,
	"kept_at" timestamp (3) with time zone NOT NULL,
	"max_current_a" double precision,
	"max_speed_rpm" double precision,
	"is_current" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stock_level" (
	"prop_model_id" uuid PRIMARY KEY NOT NULL,
	"cw_count" integer NOT NULL,
	"ccw_count" integer NOT NULL,
	"counted_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "motor_piece" ADD CONSTRAINT "motor_piece_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "motor_piece" ADD CONSTRAINT "motor_piece_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "motor_piece" ADD CONSTRAINT "motor_piece_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_piece" ADD CONSTRAINT "pack_piece_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_piece" ADD CONSTRAINT "pack_piece_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prop_model" ADD CONSTRAINT "prop_model_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_reference_prop_model_id_prop_model_id_fk" FOREIGN KEY ("reference_prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "blob" ADD CONSTRAINT "blob_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "blob" ADD CONSTRAINT "blob_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign" ADD CONSTRAINT "campaign_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign" ADD CONSTRAINT "campaign_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign" ADD CONSTRAINT "campaign_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign" ADD CONSTRAINT "campaign_reference_prop_model_id_prop_model_id_fk" FOREIGN KEY ("reference_prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_campaign_id_campaign_id_fk" FOREIGN KEY ("campaign_id") REFERENCES "public"."campaign"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_pack_piece_id_pack_piece_id_fk" FOREIGN KEY ("pack_piece_id") REFERENCES "public"."pack_piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_replaces_run_id_run_id_fk" FOREIGN KEY ("replaces_run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_import_blob_sha256_blob_sha256_fk" FOREIGN KEY ("import_blob_sha256") REFERENCES "public"."blob"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_channel" ADD CONSTRAINT "run_channel_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_picture" ADD CONSTRAINT "run_picture_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_picture" ADD CONSTRAINT "run_picture_blob_sha256_blob_sha256_fk" FOREIGN KEY ("blob_sha256") REFERENCES "public"."blob"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "person_workshop_id_index" ON "person" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "air_reading_workshop_id_created_at_index" ON "air_reading" USING btree ("workshop_id","created_at");--> statement-breakpoint
CREATE INDEX "air_reading_person_id_index" ON "air_reading" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "motor_piece_workshop_id_tag_index" ON "motor_piece" USING btree ("workshop_id","tag");--> statement-breakpoint
CREATE INDEX "motor_piece_craft_id_index" ON "motor_piece" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "motor_piece_person_id_index" ON "motor_piece" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "pack_piece_workshop_id_tag_index" ON "pack_piece" USING btree ("workshop_id","tag");--> statement-breakpoint
CREATE INDEX "pack_piece_person_id_index" ON "pack_piece" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "prop_model_workshop_id_label_index" ON "prop_model" USING btree ("workshop_id","label");--> statement-breakpoint
CREATE INDEX "prop_model_person_id_index" ON "prop_model" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "craft_workshop_id_name_index" ON "craft" USING btree ("workshop_id","name");--> statement-breakpoint
CREATE INDEX "craft_reference_prop_model_id_index" ON "craft" USING btree ("reference_prop_model_id");--> statement-breakpoint
CREATE INDEX "craft_person_id_index" ON "craft" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "blob_workshop_id_index" ON "blob" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "blob_person_id_index" ON "blob" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "campaign_workshop_id_index" ON "campaign" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "campaign_craft_id_index" ON "campaign" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "campaign_reference_prop_model_id_index" ON "campaign" USING btree ("reference_prop_model_id");--> statement-breakpoint
CREATE INDEX "campaign_person_id_index" ON "campaign" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "run_campaign_id_prop_model_id_index" ON "run" USING btree ("campaign_id","prop_model_id");--> statement-breakpoint
CREATE INDEX "run_prop_model_id_index" ON "run" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "run_pack_piece_id_index" ON "run" USING btree ("pack_piece_id");--> statement-breakpoint
CREATE INDEX "run_replaces_run_id_index" ON "run" USING btree ("replaces_run_id");--> statement-breakpoint
CREATE INDEX "run_workshop_id_index" ON "run" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "run_person_id_index" ON "run" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "run_import_blob_sha256_index" ON "run" USING btree ("import_blob_sha256");--> statement-breakpoint
CREATE INDEX "run_picture_blob_sha256_index" ON "run_picture" USING btree ("blob_sha256");--> statement-breakpoint
CREATE INDEX "event_workshop_id_index" ON "event" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "event_subject_id_index" ON "event" USING btree ("subject_id");--> statement-breakpoint
CREATE INDEX "event_person_id_index" ON "event" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "stand_fact_craft_id_prop_model_id_index" ON "stand_fact" USING btree ("craft_id","prop_model_id");