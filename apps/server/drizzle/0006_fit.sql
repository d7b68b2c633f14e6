CREATE TABLE "fitting" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"arms" jsonb NOT NULL,
	"is_hanging" boolean NOT NULL,
	"note" text
);
--> statement-breakpoint
ALTER TABLE "fitting" ADD CONSTRAINT "fitting_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fitting" ADD CONSTRAINT "fitting_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fitting" ADD CONSTRAINT "fitting_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "fitting_craft_unique" ON "fitting" USING btree ("craft_id");--> statement-breakpoint
CREATE INDEX "fitting_workshop_id_index" ON "fitting" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "fitting_person_id_index" ON "fitting" USING btree ("person_id");