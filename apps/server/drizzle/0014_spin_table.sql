ALTER TABLE "craft" ADD COLUMN "spin_table" text DEFAULT 'in' NOT NULL;--> statement-breakpoint
ALTER TABLE "craft" ADD COLUMN "own_spins" jsonb;--> statement-breakpoint
ALTER TABLE "craft" ADD CONSTRAINT "craft_spin_table_check" CHECK ("craft"."spin_table" in ('in', 'out', 'own'));