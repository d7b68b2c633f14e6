CREATE TABLE "care_setting" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"policy" text NOT NULL,
	"is_folding" boolean NOT NULL,
	CONSTRAINT "care_setting_policy_check" CHECK ("care_setting"."policy" in ('lenient', 'strict', 'makersParts'))
);
--> statement-breakpoint
CREATE TABLE "drill_answer" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"kind" text NOT NULL,
	"seed" text NOT NULL,
	"is_right" boolean NOT NULL,
	CONSTRAINT "drill_answer_kind_check" CHECK ("drill_answer"."kind" in ('label', 'hand', 'arm', 'finding', 'tape'))
);
--> statement-breakpoint
CREATE TABLE "flight" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"flown_at" timestamp (3) with time zone NOT NULL,
	"duration_s" double precision NOT NULL,
	"pack_piece_id" uuid,
	"note" text,
	CONSTRAINT "flight_duration_s_check" CHECK ("flight"."duration_s" between 1 and 36000)
);
--> statement-breakpoint
CREATE TABLE "flight_piece" (
	"flight_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"speed_rpm" double precision NOT NULL,
	CONSTRAINT "flight_piece_flight_id_piece_id_pk" PRIMARY KEY("flight_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "gain_sheet" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"old_prop_model_id" uuid NOT NULL,
	"new_prop_model_id" uuid NOT NULL,
	"payload_kg" double precision NOT NULL,
	"has_guards" boolean NOT NULL,
	"pack_series_count" integer NOT NULL,
	"pitch_percent" integer NOT NULL,
	"roll_percent" integer NOT NULL,
	"yaw_percent" integer NOT NULL,
	"vertical_percent" integer NOT NULL,
	"checks" jsonb NOT NULL,
	"looks" jsonb NOT NULL,
	"note" text,
	CONSTRAINT "gain_sheet_payload_kg_check" CHECK ("gain_sheet"."payload_kg" between 0 and 50),
	CONSTRAINT "gain_sheet_pitch_percent_check" CHECK ("gain_sheet"."pitch_percent" between 1 and 400),
	CONSTRAINT "gain_sheet_roll_percent_check" CHECK ("gain_sheet"."roll_percent" between 1 and 400),
	CONSTRAINT "gain_sheet_yaw_percent_check" CHECK ("gain_sheet"."yaw_percent" between 1 and 400),
	CONSTRAINT "gain_sheet_vertical_percent_check" CHECK ("gain_sheet"."vertical_percent" between 1 and 400)
);
--> statement-breakpoint
CREATE TABLE "job_ticket" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"owner_name" text,
	"complaint" text NOT NULL,
	"found" text,
	"done" text,
	"parts" text,
	"minutes" integer,
	"closed_at" timestamp (3) with time zone,
	CONSTRAINT "job_ticket_minutes_check" CHECK ("job_ticket"."minutes" between 0 and 100000)
);
--> statement-breakpoint
CREATE TABLE "model_alert" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"prop_model_id" uuid NOT NULL,
	"batch_id" uuid,
	"reason" text NOT NULL,
	"raised_at" timestamp (3) with time zone NOT NULL,
	"released_at" timestamp (3) with time zone,
	"release_reason" text
);
--> statement-breakpoint
CREATE TABLE "strike" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"struck_at" timestamp (3) with time zone NOT NULL,
	"flight_id" uuid,
	"thing" text NOT NULL,
	"throttle_ratio" double precision NOT NULL,
	"severity" text NOT NULL,
	"is_crash" boolean NOT NULL,
	"arms" jsonb NOT NULL,
	"note" text,
	CONSTRAINT "strike_thing_check" CHECK ("strike"."thing" in ('grass', 'net', 'twigs', 'water', 'soil', 'branch', 'wire', 'gravel', 'wood', 'otherCraft', 'concrete')),
	CONSTRAINT "strike_severity_check" CHECK ("strike"."severity" in ('light', 'medium', 'hard')),
	CONSTRAINT "strike_throttle_ratio_check" CHECK ("strike"."throttle_ratio" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "strike_piece" (
	"strike_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	CONSTRAINT "strike_piece_strike_id_piece_id_pk" PRIMARY KEY("strike_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "symptom_case" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"symptoms" jsonb NOT NULL,
	"changes" jsonb,
	"answers" jsonb NOT NULL,
	"mended_cause" text,
	"closed_at" timestamp (3) with time zone,
	CONSTRAINT "symptom_case_mended_cause_check" CHECK ("symptom_case"."mended_cause" in ('piecesSwapped', 'pieceTurnedOver', 'wrongHand', 'motorReversed', 'spinsAllOpposite', 'piecesAllOpposite', 'unbalancedProp', 'bentBlade', 'crackedBlade', 'looseProp', 'bentShaft', 'dryBearing', 'looseArm', 'gainTooHigh', 'gainTooLow', 'tooMuchProp', 'tooLittleProp', 'mixedModels', 'tiredPack', 'weakEsc', 'burntWinding', 'propRubs', 'softMount', 'armResonance'))
);
--> statement-breakpoint
CREATE TABLE "walkaround" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"looked_at" timestamp (3) with time zone NOT NULL,
	"duration_s" double precision NOT NULL,
	"policy" text NOT NULL,
	"is_folding" boolean NOT NULL,
	"outcome" text NOT NULL,
	"looks" jsonb NOT NULL,
	"note" text,
	CONSTRAINT "walkaround_duration_s_check" CHECK ("walkaround"."duration_s" between 0 and 86400)
);
--> statement-breakpoint
ALTER TABLE "care_setting" ADD CONSTRAINT "care_setting_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_setting" ADD CONSTRAINT "care_setting_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_setting" ADD CONSTRAINT "care_setting_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drill_answer" ADD CONSTRAINT "drill_answer_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drill_answer" ADD CONSTRAINT "drill_answer_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight" ADD CONSTRAINT "flight_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight" ADD CONSTRAINT "flight_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight" ADD CONSTRAINT "flight_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight" ADD CONSTRAINT "flight_pack_piece_id_pack_piece_id_fk" FOREIGN KEY ("pack_piece_id") REFERENCES "public"."pack_piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_piece" ADD CONSTRAINT "flight_piece_flight_id_flight_id_fk" FOREIGN KEY ("flight_id") REFERENCES "public"."flight"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "flight_piece" ADD CONSTRAINT "flight_piece_piece_id_prop_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."prop_piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gain_sheet" ADD CONSTRAINT "gain_sheet_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gain_sheet" ADD CONSTRAINT "gain_sheet_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gain_sheet" ADD CONSTRAINT "gain_sheet_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gain_sheet" ADD CONSTRAINT "gain_sheet_old_prop_model_id_prop_model_id_fk" FOREIGN KEY ("old_prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gain_sheet" ADD CONSTRAINT "gain_sheet_new_prop_model_id_prop_model_id_fk" FOREIGN KEY ("new_prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_ticket" ADD CONSTRAINT "job_ticket_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_ticket" ADD CONSTRAINT "job_ticket_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_ticket" ADD CONSTRAINT "job_ticket_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "model_alert" ADD CONSTRAINT "model_alert_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "model_alert" ADD CONSTRAINT "model_alert_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "model_alert" ADD CONSTRAINT "model_alert_prop_model_id_prop_model_id_fk" FOREIGN KEY ("prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "model_alert" ADD CONSTRAINT "model_alert_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike" ADD CONSTRAINT "strike_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike" ADD CONSTRAINT "strike_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike" ADD CONSTRAINT "strike_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike" ADD CONSTRAINT "strike_flight_id_flight_id_fk" FOREIGN KEY ("flight_id") REFERENCES "public"."flight"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike_piece" ADD CONSTRAINT "strike_piece_strike_id_strike_id_fk" FOREIGN KEY ("strike_id") REFERENCES "public"."strike"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strike_piece" ADD CONSTRAINT "strike_piece_piece_id_prop_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."prop_piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "symptom_case" ADD CONSTRAINT "symptom_case_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "symptom_case" ADD CONSTRAINT "symptom_case_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "symptom_case" ADD CONSTRAINT "symptom_case_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "walkaround" ADD CONSTRAINT "walkaround_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "walkaround" ADD CONSTRAINT "walkaround_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "walkaround" ADD CONSTRAINT "walkaround_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "care_setting_craft_unique" ON "care_setting" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "care_setting_workshop_id_index" ON "care_setting" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "care_setting_person_id_index" ON "care_setting" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "drill_answer_workshop_id_person_id_index" ON "drill_answer" USING btree ("workshop_id","person_id");--> statement-breakpoint
CREATE INDEX "drill_answer_person_id_index" ON "drill_answer" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "flight_workshop_id_index" ON "flight" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "flight_craft_id_flown_at_index" ON "flight" USING btree ("craft_id","flown_at");--> statement-breakpoint
CREATE INDEX "flight_pack_piece_id_index" ON "flight" USING btree ("pack_piece_id");--> statement-breakpoint
CREATE INDEX "flight_person_id_index" ON "flight" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "flight_piece_piece_id_index" ON "flight_piece" USING btree ("piece_id");--> statement-breakpoint
CREATE INDEX "gain_sheet_workshop_id_index" ON "gain_sheet" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "gain_sheet_craft_id_created_at_index" ON "gain_sheet" USING btree ("craft_id","created_at");--> statement-breakpoint
CREATE INDEX "gain_sheet_old_prop_model_id_index" ON "gain_sheet" USING btree ("old_prop_model_id");--> statement-breakpoint
CREATE INDEX "gain_sheet_new_prop_model_id_index" ON "gain_sheet" USING btree ("new_prop_model_id");--> statement-breakpoint
CREATE INDEX "gain_sheet_person_id_index" ON "gain_sheet" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "job_ticket_workshop_id_created_at_index" ON "job_ticket" USING btree ("workshop_id","created_at");--> statement-breakpoint
CREATE INDEX "job_ticket_craft_id_index" ON "job_ticket" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "job_ticket_person_id_index" ON "job_ticket" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "model_alert_workshop_id_index" ON "model_alert" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "model_alert_prop_model_id_index" ON "model_alert" USING btree ("prop_model_id");--> statement-breakpoint
CREATE INDEX "model_alert_batch_id_index" ON "model_alert" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "model_alert_person_id_index" ON "model_alert" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "strike_workshop_id_index" ON "strike" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "strike_craft_id_struck_at_index" ON "strike" USING btree ("craft_id","struck_at");--> statement-breakpoint
CREATE INDEX "strike_flight_id_index" ON "strike" USING btree ("flight_id");--> statement-breakpoint
CREATE INDEX "strike_person_id_index" ON "strike" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "strike_piece_piece_id_index" ON "strike_piece" USING btree ("piece_id");--> statement-breakpoint
CREATE INDEX "symptom_case_workshop_id_index" ON "symptom_case" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "symptom_case_craft_id_created_at_index" ON "symptom_case" USING btree ("craft_id","created_at");--> statement-breakpoint
CREATE INDEX "symptom_case_person_id_index" ON "symptom_case" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "walkaround_workshop_id_index" ON "walkaround" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "walkaround_craft_id_looked_at_index" ON "walkaround" USING btree ("craft_id","looked_at");--> statement-breakpoint
CREATE INDEX "walkaround_person_id_index" ON "walkaround" USING btree ("person_id");