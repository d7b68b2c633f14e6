ALTER TABLE "craft" ADD COLUMN "kits" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "piece_set" ADD COLUMN "rested_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "prop_piece" ADD COLUMN "blade_tags" text;