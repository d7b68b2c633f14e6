CREATE TABLE "rig" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"name" text NOT NULL,
	"friction_kg_m" double precision NOT NULL,
	"bore_play_m" double precision NOT NULL,
	"largest_m" double precision NOT NULL,
	"inertia_kg_m_2" double precision NOT NULL,
	"note" text,
	CONSTRAINT "rig_friction_kg_m_check" CHECK ("rig"."friction_kg_m" between 1e-10 and 0.001),
	CONSTRAINT "rig_bore_play_m_check" CHECK ("rig"."bore_play_m" between 0 and 0.002),
	CONSTRAINT "rig_largest_m_check" CHECK ("rig"."largest_m" between 0.02 and 1.1),
	CONSTRAINT "rig_inertia_kg_m2_check" CHECK ("rig"."inertia_kg_m_2" between 0 and 0.01)
);
--> statement-breakpoint
CREATE TABLE "true_up" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"piece_id" uuid NOT NULL,
	"rig_id" uuid NOT NULL,
	"craft_id" uuid NOT NULL,
	"state" text NOT NULL,
	"target" text NOT NULL,
	"is_looked_at" boolean NOT NULL,
	"looks" jsonb NOT NULL,
	"swings" jsonb NOT NULL,
	"heavy_degrees" double precision,
	"blade_moments_kg_m" double precision[] NOT NULL,
	"runs" jsonb NOT NULL,
	"run_speed_rpm" double precision,
	"note" text,
	"finished_at" timestamp (3) with time zone,
	CONSTRAINT "true_up_state_check" CHECK ("true_up"."state" in ('open', 'trued', 'truedDynamic', 'sentBack')),
	CONSTRAINT "true_up_target_check" CHECK ("true_up"."target" in ('coarse', 'good', 'fine')),
	CONSTRAINT "true_up_heavy_degrees_check" CHECK ("true_up"."heavy_degrees" between 0 and 360),
	CONSTRAINT "true_up_run_speed_rpm_check" CHECK ("true_up"."run_speed_rpm" between 200 and 60000)
);
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "true_up" ADD CONSTRAINT "true_up_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "true_up" ADD CONSTRAINT "true_up_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "true_up" ADD CONSTRAINT "true_up_piece_id_prop_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."prop_piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "true_up" ADD CONSTRAINT "true_up_rig_id_rig_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rig"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "true_up" ADD CONSTRAINT "true_up_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "rig_workshop_id_name_index" ON "rig" USING btree ("workshop_id","name");--> statement-breakpoint
CREATE INDEX "rig_person_id_index" ON "rig" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "true_up_workshop_id_created_at_index" ON "true_up" USING btree ("workshop_id","created_at");--> statement-breakpoint
CREATE INDEX "true_up_piece_id_created_at_index" ON "true_up" USING btree ("piece_id","created_at");--> statement-breakpoint
CREATE INDEX "true_up_rig_id_index" ON "true_up" USING btree ("rig_id");--> statement-breakpoint
CREATE INDEX "true_up_craft_id_index" ON "true_up" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "true_up_person_id_index" ON "true_up" USING btree ("person_id");