ALTER TABLE "pack_piece" ADD COLUMN "cycle_count" integer;--> statement-breakpoint
ALTER TABLE "pack_piece" ADD COLUMN "note" text;--> statement-breakpoint
ALTER TABLE "pack_piece" ADD CONSTRAINT "pack_piece_cycle_count_check" CHECK ("pack_piece"."cycle_count" between 0 and 10000);