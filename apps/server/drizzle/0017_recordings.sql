CREATE TABLE "recording" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"tracks" jsonb NOT NULL,
	"created_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "recording_block" (
	"recording_id" uuid NOT NULL,
	"segment" integer NOT NULL,
	"track" smallint NOT NULL,
	"level" smallint NOT NULL,
	"start_s" double precision NOT NULL,
	"last_s" double precision NOT NULL,
	"first_sample" bigint NOT NULL,
	"count" integer NOT NULL,
	"payload" "bytea" NOT NULL,
	CONSTRAINT "recording_block_recording_id_segment_track_level_start_s_pk" PRIMARY KEY("recording_id","segment","track","level","start_s"),
	CONSTRAINT "recording_block_track_check" CHECK ("recording_block"."track" between 0 and 63),
	CONSTRAINT "recording_block_level_check" CHECK ("recording_block"."level" between 0 and 12),
	CONSTRAINT "recording_block_count_check" CHECK ("recording_block"."count" between 1 and 4096)
);
--> statement-breakpoint
CREATE TABLE "recording_segment" (
	"recording_id" uuid NOT NULL,
	"ordinal" integer NOT NULL,
	"started_at" timestamp (3) with time zone NOT NULL,
	"device_start_s" double precision NOT NULL,
	"start_s" double precision NOT NULL,
	CONSTRAINT "recording_segment_recording_id_ordinal_pk" PRIMARY KEY("recording_id","ordinal"),
	CONSTRAINT "recording_segment_ordinal_check" CHECK ("recording_segment"."ordinal" between 0 and 199)
);
--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "recording_id" uuid;--> statement-breakpoint
ALTER TABLE "recording" ADD CONSTRAINT "recording_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recording_block" ADD CONSTRAINT "recording_block_segment_fk" FOREIGN KEY ("recording_id","segment") REFERENCES "public"."recording_segment"("recording_id","ordinal") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recording_segment" ADD CONSTRAINT "recording_segment_recording_id_recording_id_fk" FOREIGN KEY ("recording_id") REFERENCES "public"."recording"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "recording_workshop_id_index" ON "recording" USING btree ("workshop_id");--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_recording_id_recording_id_fk" FOREIGN KEY ("recording_id") REFERENCES "public"."recording"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_recording_id_index" ON "run" USING btree ("recording_id");--> statement-breakpoint
ALTER TABLE "recording_block" ALTER COLUMN "payload" SET STORAGE EXTERNAL;
