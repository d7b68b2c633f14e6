CREATE TABLE "live_chunk" (
	"run_id" uuid NOT NULL,
	"ordinal" integer NOT NULL,
	"start_s" double precision NOT NULL,
	"reading_count" integer NOT NULL,
	"samples" "bytea" NOT NULL,
	CONSTRAINT "live_chunk_run_id_ordinal_pk" PRIMARY KEY("run_id","ordinal"),
	CONSTRAINT "live_chunk_reading_count_check" CHECK ("live_chunk"."reading_count" between 1 and 1000)
);
--> statement-breakpoint
CREATE TABLE "live_point" (
	"run_id" uuid NOT NULL,
	"ordinal" integer NOT NULL,
	"at_s" double precision NOT NULL,
	"values" double precision[] NOT NULL,
	CONSTRAINT "live_point_run_id_ordinal_pk" PRIMARY KEY("run_id","ordinal"),
	CONSTRAINT "live_point_ordinal_check" CHECK ("live_point"."ordinal" between 1 and 120),
	CONSTRAINT "live_point_values_check" CHECK (cardinality("live_point"."values") = 8)
);
--> statement-breakpoint
CREATE TABLE "live_run" (
	"run_id" uuid PRIMARY KEY NOT NULL,
	"phase" text NOT NULL,
	"limits" jsonb NOT NULL,
	"zero_n" double precision,
	"cut" jsonb,
	"resting_cell_v" double precision,
	"end_charge_ratio" double precision,
	"updated_at" timestamp (3) with time zone NOT NULL,
	CONSTRAINT "live_run_phase_check" CHECK ("live_run"."phase" in ('idle', 'connected', 'tared', 'armed', 'running', 'held', 'stopped')),
	CONSTRAINT "live_run_end_charge_ratio_check" CHECK ("live_run"."end_charge_ratio" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "run_samples" (
	"run_id" uuid NOT NULL,
	"channel" text NOT NULL,
	"rate_hz" double precision NOT NULL,
	"samples" "bytea" NOT NULL,
	"pyramid_spans" integer[] NOT NULL,
	"pyramid" "bytea" NOT NULL,
	CONSTRAINT "run_samples_run_id_channel_pk" PRIMARY KEY("run_id","channel"),
	CONSTRAINT "run_samples_channel_check" CHECK ("run_samples"."channel" in ('throttleRatio', 'thrustN', 'speedRpm', 'currentA', 'voltageV', 'powerW', 'temperatureC', 'vibrationMPerS2'))
);
--> statement-breakpoint
ALTER TABLE "live_chunk" ADD CONSTRAINT "live_chunk_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_point" ADD CONSTRAINT "live_point_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_run" ADD CONSTRAINT "live_run_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_samples" ADD CONSTRAINT "run_samples_run_id_run_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."run"("id") ON DELETE no action ON UPDATE no action;