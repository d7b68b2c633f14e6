CREATE TABLE "instrument_check" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"quantity" text NOT NULL,
	"method" text NOT NULL,
	"reaches_back" boolean NOT NULL,
	"arm_m" double precision,
	"pairs" jsonb NOT NULL,
	"note" text,
	CONSTRAINT "instrument_check_quantity_check" CHECK ("instrument_check"."quantity" in ('thrustN', 'speedRpm', 'currentA', 'voltageV', 'torqueNm')),
	CONSTRAINT "instrument_check_method_check" CHECK ("instrument_check"."method" in ('knownMass', 'tachometer', 'sound', 'secondMeter', 'putBack', 'torqueArm')),
	CONSTRAINT "instrument_check_arm_m_check" CHECK ("instrument_check"."arm_m" between 0.01 and 3)
);
--> statement-breakpoint
ALTER TABLE "instrument_check" ADD CONSTRAINT "instrument_check_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instrument_check" ADD CONSTRAINT "instrument_check_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "instrument_check_workshop_id_index" ON "instrument_check" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "instrument_check_person_id_index" ON "instrument_check" USING btree ("person_id");