CREATE TABLE "listening" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"heard_on" text NOT NULL,
	"method" text NOT NULL,
	"place" text NOT NULL,
	"surface" text NOT NULL,
	"distance_m" double precision NOT NULL,
	"height_m" double precision NOT NULL,
	"wind_m_per_s" double precision,
	"note" text,
	"chain_offset_db" double precision,
	CONSTRAINT "listening_heard_on_check" CHECK ("listening"."heard_on" in ('craft', 'stand')),
	CONSTRAINT "listening_method_check" CHECK ("listening"."method" in ('meter', 'recording', 'walkAway')),
	CONSTRAINT "listening_surface_check" CHECK ("listening"."surface" in ('grass', 'snow', 'gravel', 'hard', 'indoors')),
	CONSTRAINT "listening_distance_m_check" CHECK ("listening"."distance_m" between 0.1 and 500),
	CONSTRAINT "listening_height_m_check" CHECK ("listening"."height_m" between 0 and 150),
	CONSTRAINT "listening_wind_m_per_s_check" CHECK ("listening"."wind_m_per_s" between 0 and 30),
	CONSTRAINT "listening_chain_offset_db_check" CHECK ("listening"."chain_offset_db" between -150 and 150)
);
--> statement-breakpoint
CREATE TABLE "sound_take" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"listening_id" uuid NOT NULL,
	"prop_model_id" uuid,
	"pattern" jsonb,
	"level_db" double precision,
	"distance_m" double precision NOT NULL,
	"thrust_n" double precision,
	"rpm" double precision,
	"spin_down_s" double precision,
	"clipped_ratio" double precision NOT NULL,
	"sound" jsonb,
	"sound_sha256" text,
	"run_id" uuid,
	"flight_card_id" uuid,
	"note" text,
	CONSTRAINT "sound_take_level_db_check" CHECK ("sound_take"."level_db" between -60 and 160),
	CONSTRAINT "sound_take_distance_m_check" CHECK ("sound_take"."distance_m" between 0.1 and 500),
	CONSTRAINT "sound_take_thrust_n_check" CHECK ("sound_take"."thrust_n" between 0.01 and 2000),
	CONSTRAINT "sound_take_rpm_check" CHECK ("sound_take"."rpm" between 100 and 90000),
	CONSTRAINT "sound_take_spin_down_s_check" CHECK ("sound_take"."spin_down_s" between 0.05 and 120),
	CONSTRAINT "sound_take_clipped_ratio_check" CHECK ("sound_take"."clipped_ratio" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "sound_vote" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"listening_id" uuid NOT NULL,
	"liked_take_id" uuid NOT NULL,
	"other_take_id" uuid NOT NULL
);
--> statement-breakpoint
ALTER TABLE "listening" ADD CONSTRAINT "listening_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "listening" ADD CONSTRAINT "listening_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "listening" ADD CONSTRAINT "listening_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_listening_id_listening_id_fk" FOREIGN KEY ("listening_id") REFERENCES "public"."listening"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_sound_sha256_blob_sha256_fk" FOREIGN KEY ("sound_sha256") REFERENCES "public"."blob"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_take" ADD CONSTRAINT "sound_take_flight_card_id_flight_card_id_fk" FOREIGN KEY ("flight_card_id") REFERENCES "public"."flight_card"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_vote" ADD CONSTRAINT "sound_vote_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_vote" ADD CONSTRAINT "sound_vote_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_vote" ADD CONSTRAINT "sound_vote_listening_id_listening_id_fk" FOREIGN KEY ("listening_id") REFERENCES "public"."listening"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_vote" ADD CONSTRAINT "sound_vote_liked_take_id_sound_take_id_fk" FOREIGN KEY ("liked_take_id") REFERENCES "public"."sound_take"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sound_vote" ADD CONSTRAINT "sound_vote_other_take_id_sound_take_id_fk" FOREIGN KEY ("other_take_id") REFERENCES "public"."sound_take"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "listening_workshop_id_index" ON "listening" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "listening_craft_id_created_at_index" ON "listening" USING btree ("craft_id","created_at");--> statement-breakpoint
CREATE INDEX "listening_person_id_index" ON "listening" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "sound_take_workshop_id_index" ON "sound_take" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "sound_take_listening_id_created_at_index" ON "sound_take" USING btree ("listening_id","created_at");--> statement-breakpoint
CREATE INDEX "sound_take_prop_model_id_index" ON "sound_take" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "sound_take_person_id_index" ON "sound_take" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "sound_vote_workshop_id_index" ON "sound_vote" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "sound_vote_listening_id_created_at_index" ON "sound_vote" USING btree ("listening_id","created_at");--> statement-breakpoint
CREATE INDEX "sound_vote_person_id_index" ON "sound_vote" USING btree ("person_id");