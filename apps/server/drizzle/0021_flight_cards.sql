CREATE TABLE "flight_card" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"flight_id" uuid NOT NULL,
	"prop_model_id" uuid NOT NULL,
	"protocol_version" integer NOT NULL,
	"angle_degrees" double precision NOT NULL,
	"lower_m" double precision NOT NULL,
	"upper_m" double precision NOT NULL,
	"view" text NOT NULL,
	"payload_kg" double precision NOT NULL,
	"rest_cell_v" double precision,
	"wind_m_per_s" double precision,
	"climbs" jsonb NOT NULL,
	"passes" jsonb NOT NULL,
	"hover_throttle_ratio" double precision,
	"hover_current_a" double precision,
	"take_off_roll_m" double precision,
	"used_ah" double precision,
	"motors" jsonb NOT NULL,
	"opinions" jsonb NOT NULL,
	"log_sha256" text,
	"is_careful_first" boolean NOT NULL,
	CONSTRAINT "flight_card_view_check" CHECK ("flight_card"."view" in ('sight', 'goggles')),
	CONSTRAINT "flight_card_protocol_version_check" CHECK ("flight_card"."protocol_version" between 1 and 10000),
	CONSTRAINT "flight_card_angle_degrees_check" CHECK ("flight_card"."angle_degrees" between 5 and 90),
	CONSTRAINT "flight_card_lower_m_check" CHECK ("flight_card"."lower_m" between 0 and 2000),
	CONSTRAINT "flight_card_upper_m_check" CHECK ("flight_card"."upper_m" between 0 and 2000),
	CONSTRAINT "flight_card_payload_kg_check" CHECK ("flight_card"."payload_kg" between 0 and 50),
	CONSTRAINT "flight_card_rest_cell_v_check" CHECK ("flight_card"."rest_cell_v" between 2 and 4.5),
	CONSTRAINT "flight_card_wind_m_per_s_check" CHECK ("flight_card"."wind_m_per_s" between 0 and 40),
	CONSTRAINT "flight_card_hover_throttle_ratio_check" CHECK ("flight_card"."hover_throttle_ratio" between 0 and 1),
	CONSTRAINT "flight_card_hover_current_a_check" CHECK ("flight_card"."hover_current_a" between 0 and 1000),
	CONSTRAINT "flight_card_take_off_roll_m_check" CHECK ("flight_card"."take_off_roll_m" between 0 and 1000),
	CONSTRAINT "flight_card_used_ah_check" CHECK ("flight_card"."used_ah" between 0 and 200)
);
--> statement-breakpoint
CREATE TABLE "flight_protocol" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"angle_degrees" double precision NOT NULL,
	"lower_m" double precision NOT NULL,
	"upper_m" double precision NOT NULL,
	CONSTRAINT "flight_protocol_version_check" CHECK ("flight_protocol"."version" between 1 and 10000),
	CONSTRAINT "flight_protocol_angle_degrees_check" CHECK ("flight_protocol"."angle_degrees" between 5 and 90),
	CONSTRAINT "flight_protocol_lower_m_check" CHECK ("flight_protocol"."lower_m" between 0 and 2000),
	CONSTRAINT "flight_protocol_upper_m_check" CHECK ("flight_protocol"."upper_m" between 0 and 2000)
);
--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_flight_id_flight_id_fk" FOREIGN KEY ("flight_id") REFERENCES "public"."flight"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_card" ADD CONSTRAINT "flight_card_log_sha256_blob_sha256_fk" FOREIGN KEY ("log_sha256") REFERENCES "public"."blob"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_protocol" ADD CONSTRAINT "flight_protocol_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_protocol" ADD CONSTRAINT "flight_protocol_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_protocol" ADD CONSTRAINT "flight_protocol_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "flight_card_workshop_id_index" ON "flight_card" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "flight_card_craft_id_created_at_index" ON "flight_card" USING btree ("craft_id","created_at");--> statement-breakpoint
CREATE INDEX "flight_card_prop_model_id_index" ON "flight_card" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "flight_card_person_id_index" ON "flight_card" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "flight_card_flight_unique" ON "flight_card" USING btree ("flight_id");--> statement-breakpoint
CREATE INDEX "flight_protocol_workshop_id_index" ON "flight_protocol" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "flight_protocol_person_id_index" ON "flight_protocol" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "flight_protocol_version_unique" ON "flight_protocol" USING btree ("craft_id","version");