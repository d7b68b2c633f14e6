CREATE TABLE "evening_plan" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"campaign_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"step_count" integer NOT NULL,
	"hold_s" double precision NOT NULL,
	"change_s" double precision NOT NULL,
	"runs_per_pack" integer NOT NULL,
	"runs" jsonb NOT NULL,
	CONSTRAINT "evening_plan_kind_check" CHECK ("evening_plan"."kind" in ('full', 'ladder')),
	CONSTRAINT "evening_plan_step_count_check" CHECK ("evening_plan"."step_count" between 1 and 40),
	CONSTRAINT "evening_plan_hold_s_check" CHECK ("evening_plan"."hold_s" between 1 and 120),
	CONSTRAINT "evening_plan_change_s_check" CHECK ("evening_plan"."change_s" between 0 and 3600),
	CONSTRAINT "evening_plan_runs_per_pack_check" CHECK ("evening_plan"."runs_per_pack" between 1 and 50)
);
--> statement-breakpoint
ALTER TABLE "evening_plan" ADD CONSTRAINT "evening_plan_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "evening_plan" ADD CONSTRAINT "evening_plan_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "evening_plan" ADD CONSTRAINT "evening_plan_campaign_id_campaign_id_fk" FOREIGN KEY ("campaign_id") REFERENCES "public"."campaign"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "evening_plan_workshop_id_index" ON "evening_plan" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "evening_plan_person_id_index" ON "evening_plan" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "evening_plan_campaign_unique" ON "evening_plan" USING btree ("campaign_id");