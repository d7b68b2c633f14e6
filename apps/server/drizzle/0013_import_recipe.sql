CREATE TABLE "import_recipe" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workshop_id" uuid NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"person_id" uuid,
	"created_at" timestamp (3) with time zone NOT NULL,
	"updated_at" timestamp (3) with time zone NOT NULL,
	"deleted_at" timestamp (3) with time zone,
	"header" text NOT NULL,
	"columns" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "import_recipe" ADD CONSTRAINT "import_recipe_workshop_id_workshop_id_fk" FOREIGN KEY ("workshop_id") REFERENCES "public"."workshop"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_recipe" ADD CONSTRAINT "import_recipe_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "import_recipe_workshop_id_header_index" ON "import_recipe" USING btree ("workshop_id","header");--> statement-breakpoint
CREATE INDEX "import_recipe_person_id_index" ON "import_recipe" USING btree ("person_id");