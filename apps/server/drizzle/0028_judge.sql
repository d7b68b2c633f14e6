CREATE TABLE "frozen_verdict" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"input" jsonb NOT NULL,
	"headline" jsonb NOT NULL,
	"winner_prop_model_id" uuid,
	"note" text
);
--> statement-breakpoint
CREATE TABLE "judge_wishes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"craft_id" uuid NOT NULL,
	"weights" jsonb NOT NULL,
	"matters" jsonb NOT NULL,
	"added_prop_model_ids" jsonb NOT NULL,
	CONSTRAINT "judge_wishes_unique" UNIQUE NULLS NOT DISTINCT("craft_id","person_id")
);
--> statement-breakpoint
ALTER TABLE "frozen_verdict" ADD CONSTRAINT "frozen_verdict_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "frozen_verdict" ADD CONSTRAINT "frozen_verdict_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "frozen_verdict" ADD CONSTRAINT "frozen_verdict_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "frozen_verdict" ADD CONSTRAINT "frozen_verdict_winner_prop_model_id_prop_model_id_fk" FOREIGN KEY ("winner_prop_model_id") REFERENCES "public"."prop_model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "judge_wishes" ADD CONSTRAINT "judge_wishes_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "judge_wishes" ADD CONSTRAINT "judge_wishes_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "judge_wishes" ADD CONSTRAINT "judge_wishes_craft_id_craft_id_fk" FOREIGN KEY ("craft_id") REFERENCES "public"."craft"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "frozen_verdict_workshop_id_index" ON "frozen_verdict" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "frozen_verdict_craft_id_created_at_index" ON "frozen_verdict" USING btree ("craft_id","created_at");--> statement-breakpoint
CREATE INDEX "frozen_verdict_person_id_index" ON "frozen_verdict" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "frozen_verdict_winner_prop_model_id_index" ON "frozen_verdict" USING btree ("winner_prop_model_id");--> statement-breakpoint
CREATE INDEX "judge_wishes_workshop_id_index" ON "judge_wishes" USING btree ("workshop_id");--> statement-breakpoint
CREATE INDEX "judge_wishes_person_id_index" ON "judge_wishes" USING btree ("person_id");